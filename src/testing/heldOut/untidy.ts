import { normalsFrom } from '@/core/math/normal';
import { seededRandom, type Random } from '@/core/math/random';
import type { EntryBody } from '@/core/records/kinds';
import type { DoneRuleChoice } from '@/core/records/schema/tank';
import { DAY_MS } from '@/core/time/zone';
import { FILLED, LogBuilder } from '../logBuilder';
import { labelled } from '../medicines';
import { drawKeeper, readTestSession, type Keeper, type TestSession } from './keeper';
import {
  drawReef,
  heated,
  runReef,
  type HeldOutMethod,
  type Reef,
  type TrueCourse,
  type TrueDose,
  type TrueEvent,
} from './reef';
import {
  BAD_KITS,
  isBadKit,
  isMishap,
  ITS_MEDICINE,
  MISHAPS,
  type MishapName,
  type Trouble,
} from './troubles';

export const DONE_RULE_CHOICES: readonly DoneRuleChoice[] = [
  { rule: 'bothZeroHeld', daysAtZero: 7 },
  { rule: 'bothZero' },
  { rule: 'challenge', windowHours: 24 },
  { rule: 'challenge', windowHours: 48 },
  { rule: 'nitrateLevel' },
  { rule: 'bottleProgramme', programmeDays: 14 },
  { rule: 'algaeSuccession' },
];

/** A keeper's whole life with a tank, as it went and as it was logged. */
export interface UntidyLife {
  trouble: Trouble;
  doneRule: DoneRuleChoice;
  reef: Reef;
  keeper: Keeper;
  doses: TrueDose[];
  events: TrueEvent[];
  testSessions: TestSession[];
  builder: LogBuilder;
  /** Day of its end. */
  end: number;
}

/** Longest that a tank is watched, and how long on after what the keeper takes for its end, days. */
const LONGEST = 100;
const AFTER = 30;
/** Hours that a binder really holds ammonia, at least and at most. */
const BINDS_HOURS = [24, 48] as const;

/** Plays one life. The log holds all of it; a verdict at a moment sees what lies before. */
export function liveUntidily(
  trouble: Trouble,
  doneRule: DoneRuleChoice,
  method: HeldOutMethod,
  seed: number,
): UntidyLife {
  const random = seededRandom(seed);
  const life = new Untidy(trouble, doneRule, method, random);
  life.play();
  return life;
}

const moment = (day: number) => FILLED + Math.round(day * DAY_MS);

class Untidy implements UntidyLife {
  readonly reef: Reef;
  readonly keeper: Keeper;
  readonly doses: TrueDose[] = [];
  readonly events: TrueEvent[] = [];
  readonly testSessions: TestSession[] = [];
  readonly builder: LogBuilder;
  end = LONGEST;
  private day = 1;
  private course: TrueCourse;
  private bound: { from: number; to: number }[] = [];
  private troubled = false;
  private fedAfter = Infinity;
  private nitriteFrom = 0;
  /** Readings that a bad kit still gives before it shows nothing any more. */
  private goodReadings = 0;

  constructor(
    readonly trouble: Trouble,
    readonly doneRule: DoneRuleChoice,
    method: HeldOutMethod,
    private readonly random: Random,
  ) {
    this.reef = heated(drawReef(method, random));
    const keeper = drawKeeper(random);
    // A dose that counts as a challenge, whatever a hand adds to it.
    this.keeper = { ...keeper, dose: Math.max(1.56, keeper.dose) };
    this.builder = new LogBuilder({
      rock: method === 'liveRock' ? 'liveRock' : 'dryRock',
      doneRule,
    });
    this.course = runReef(this.reef, []);
    if (trouble === 'kitLate') this.nitriteFrom = 14 + 16 * random();
    if (isBadKit(trouble) && trouble !== 'expiredKit') this.goodReadings = random() < 0.5 ? 0 : 1;
  }

  play(): void {
    const { random, builder } = this;
    builder.conditions(moment(0.5));
    if (this.reef.method === 'bottle' || this.doneRule.rule === 'bottleProgramme') {
      this.log(1, {
        kind: 'dose',
        substance: 'bacteria',
        amount: { by: 'mL', mL: 100 },
        strength: null,
        about: false,
      });
    }
    if (this.doneRule.rule === 'algaeSuccession') this.logGrowths();
    if (this.trouble !== 'unfed') this.dose(1);
    this.day = 1.3 + random();
    let shown: number | null = null;
    while (this.day < this.end) {
      const { ammonia, nitrite } = this.test();
      if (this.trouble === 'bound') this.bind();
      if (this.trouble === 'diluted') this.dilute(nitrite);
      const both = ammonia === 0 && nitrite === 0;
      if (both && shown === null && (this.testSessions.length > 3 || this.trouble === 'unfed')) {
        shown = this.day;
        this.end = Math.min(LONGEST, this.day + AFTER);
        if (this.doneRule.rule === 'challenge' && this.trouble !== 'unfed') this.challenge();
      } else if (shown !== null) this.late(this.day - shown);
      else if (ammonia === 0 && (nitrite ?? 0) <= 1) this.doseAgain();
      this.day += Math.max(0.7, this.keeper.every * (0.5 + random()));
    }
  }

  private log(day: number, entry: EntryBody): void {
    this.builder.entry(moment(day), entry);
  }

  private ran(): void {
    this.course = runReef(this.reef, this.doses, this.events);
  }

  private dose(day: number): void {
    if (this.trouble === 'unfed') return;
    this.doses.push({ day, believed: this.keeper.dose });
    this.builder.dose(moment(day), this.keeper.dose);
    this.ran();
  }

  private doseAgain(): void {
    const last = this.doses.at(-1)?.day ?? this.day;
    if (this.doses.length < this.keeper.doses && this.day - last > 4) this.dose(this.day + 0.05);
  }

  /** One sitting at the day that is reached; what is written is what was read. */
  private test(what: { ammonia?: boolean; nitrite?: boolean } = {}): TestSession {
    const { day, random, builder, keeper } = this;
    const wanted = {
      ammonia: what.ammonia ?? true,
      nitrite: (what.nitrite ?? random() >= keeper.skips) && day >= this.nitriteFrom,
      nitrate: random() < 0.35,
    };
    const eye = { ...keeper, blunder: 0 };
    const slips = { ...keeper, blunder: 1 };
    const blundered = random() < 2 * keeper.blunder;
    const hand = blundered ? slips : eye;
    const testSession = readTestSession({ keeper: hand, course: this.course }, day, wanted, random);
    const held = this.bound.some(({ from, to }) => day >= from && day < to);
    const read = this.asKitsShow({
      ...testSession,
      blundered,
      ammonia: held && wanted.ammonia ? 0 : testSession.ammonia,
    });
    this.testSessions.push(read);
    if (read.ammonia !== null) builder.ammonia(moment(day), read.ammonia);
    if (read.nitrite !== null) {
      const kit = this.trouble === 'expiredKit' ? { kit: { expiresOn: '2026-03-01' } } : {};
      builder.card('nitriteCard', moment(day), read.nitrite, kit);
    }
    if (read.nitrate !== null) builder.nitrate(moment(day), read.nitrate);
    if (this.testSessions.length % 2 === 0) {
      const alkalinity = this.course.alkalinity[Math.round(day * 24)] ?? 8;
      builder.digital('alkalinityDrops', moment(day), Math.round(alkalinity * 10) / 10);
      builder.digital('refractometer', moment(day), 35);
      const temperature = this.reef.temperature[Math.round(day * 24)] ?? 25.5;
      builder.digital('thermometer', moment(day), Math.round(temperature * 10) / 10);
    }
    return read;
  }

  /** What is read where a kit is bad: zero, once it has given the readings that it has left. */
  private asKitsShow(testSession: TestSession): TestSession {
    const { trouble } = this;
    if (!isBadKit(trouble)) return testSession;
    const parameter = BAD_KITS[trouble];
    const shown = testSession[parameter];
    if (shown === null) return testSession;
    if (shown > 0 && this.goodReadings > 0) {
      this.goodReadings -= 1;
      return testSession;
    }
    return { ...testSession, [parameter]: 0 };
  }

  /** Doses of two ppm, each tested when its window ends, until one is read as gone. */
  private challenge(): void {
    const { doneRule, random } = this;
    const hours = doneRule.rule === 'challenge' ? doneRule.windowHours : 24;
    for (let round = 0; round < 10 && this.day < LONGEST - 8; round += 1) {
      const dosed = this.day + 0.05;
      this.dose(dosed);
      if (this.trouble === 'fiveHours') {
        this.day = dosed + 5 / 24;
        this.test({ ammonia: false, nitrite: true });
      }
      this.day = dosed + hours / 24 + 0.05 * random();
      const late = this.trouble === 'fiveHours';
      const { ammonia, nitrite } = this.test({ nitrite: !late });
      this.end = Math.min(LONGEST, this.day + AFTER);
      if (ammonia === 0 && (late || nitrite === 0)) return;
      for (let wait = 0; wait < 12; wait += 1) {
        this.day += 1 + random();
        const read = this.test({ nitrite: true });
        if (read.ammonia === 0 && read.nitrite === 0) break;
      }
    }
  }

  /** What happens some time after both have read zero. */
  private late(since: number): void {
    const { trouble, random, day } = this;
    if (day >= this.fedAfter) {
      this.fedAfter = Infinity;
      this.dose(day + 0.05);
    }
    if (this.troubled) return;
    const after = (days: number) => since > days * random();
    if (isMishap(trouble)) {
      if (after(14)) this.befall(trouble);
    } else if (trouble === 'failedLater' && since > 12) {
      this.troubled = true;
      this.dose(day + 0.05);
      this.day += 0.05 + 1 + 0.05 * random();
      this.test({ nitrite: true });
    } else if (trouble === 'fiveHours' && this.doneRule.rule !== 'challenge' && after(10)) {
      this.troubled = true;
      this.dose(day + 0.05);
      this.day += 0.05 + 5 / 24;
      this.test({ ammonia: false, nitrite: true });
      this.day += 19 / 24;
      this.test({ nitrite: false });
    }
  }

  /** What befalls the tank now, and whether its keeper feeds it a few days later. */
  private befall(name: MishapName): void {
    const { random, builder } = this;
    const day = this.day + 0.1;
    const { logged, medicine, celsius, survival, changed, rots } = MISHAPS[name](random);
    this.troubled = true;
    if (medicine) labelled(builder, medicine, ITS_MEDICINE);
    for (const { after, entry } of logged) this.log(day + after, entry);
    if (celsius !== undefined) builder.digital('thermometer', moment(day), celsius);
    if (survival < 1) this.events.push({ day, what: 'harm', survival });
    if (changed !== undefined) this.events.push({ day, what: 'change', share: changed });
    if (rots !== undefined) this.events.push({ day: day + 0.5, what: 'rots', nitrogen: rots });
    // A change of water that no entry tells of is logged as one.
    if (changed !== undefined && logged.every(({ entry }) => entry.kind === 'standstill')) {
      builder.waterChange(moment(day + 0.02), Math.round(100 * changed));
    }
    this.ran();
    if (survival < 1 && random() < 0.5) this.fedAfter = day + 2 + 3 * random();
  }

  private bind(): void {
    if (this.random() > 0.5) return;
    const [least, most] = BINDS_HOURS;
    const hours = least + (most - least) * this.random();
    this.bound.push({ from: this.day + 0.05, to: this.day + 0.05 + hours / 24 });
    this.log(this.day + 0.05, {
      kind: 'dose',
      substance: 'ammoniaBinder',
      amount: { by: 'mL', mL: 5 },
      strength: null,
      about: false,
    });
  }

  private dilute(nitrite: number | null): void {
    if (this.troubled || nitrite === null || nitrite < 2) return;
    this.troubled = true;
    const share = 0.6 + 0.37 * this.random();
    this.events.push({ day: this.day + 0.1, what: 'change', share });
    this.builder.waterChange(moment(this.day + 0.1), 100 * share);
    this.ran();
    this.day += 1;
    this.test({ nitrite: true });
  }

  private logGrowths(): void {
    const normal = normalsFrom(this.random);
    const spread = Math.exp(0.2 * normal());
    this.log(3, { kind: 'light', state: 'on' });
    this.log(12 * spread, { kind: 'sighting', growth: 'diatoms', extent: 'patches' });
    this.log(18 * spread, { kind: 'sighting', growth: 'film', extent: 'patches' });
    this.log(18 * spread + 8, { kind: 'sighting', growth: 'film', extent: 'patches' });
  }
}
