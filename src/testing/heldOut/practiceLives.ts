import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import { alkalinityDue } from '@/core/cycle/dosing/alkalinityRaise';
import { conditionTestSession, nextTestSession } from '@/core/cycle/nextTestSession';
import { kitAtHand } from '@/core/cycle/problem/observations';
import { cycleProblem } from '@/core/cycle/problem/problem';
import { SAFE } from '@/core/cycle/verdict/assurance';
import type { Forecast } from '@/core/cycle/forecast/types';
import type { Verdict } from '@/core/cycle/verdict/types';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { tankHistory } from '@/core/history/derive';
import type { TankHistory } from '@/core/history/tankHistory';
import { bandsOf } from '@/core/parameters/bands';
import type { ParameterId } from '@/core/parameters/registry';
import { readingOf } from '@/core/practice/run/begin';
import type { RunHeader } from '@/core/practice/run/header';
import { courseUntil, playedLog, type Played } from '@/core/practice/run/play';
import { begin, type Begun } from '@/core/practice/run/begin';
import { trulyReadyOn } from '@/core/practice/after/ready';
import { deedsOf } from '@/core/practice/deeds/deeds';
import { live, type Course } from '@/core/practice/world/live';
import { situationOf, type SituationId } from '@/core/practice/situations/situations';
import { createRecord, type ActStamp } from '@/core/records/acts';
import type { Entry, EntryBody } from '@/core/records/kinds';
import { EMPTY_LOG, mergeRevisions } from '@/core/records/log';
import type { Kit } from '@/core/records/schema/kit';
import type { Revision, RevisionOf } from '@/core/records/schema/revision';
import { DAY_MS, HOUR_MS, instant, isoInZone } from '@/core/time/zone';
import { testId } from '../logBuilder';

const bands = bandsOf('mixedReef', {});
const STARTED = '2026-05-04T09:00:00.000Z';
/** Longest that a tank is followed from the taking over, days. */
const LONGEST = 150;

/** A keeper at a practice tank, whose eyes are good: what is read is what its vial shows. */
export class PracticeLife {
  readonly begun: Begun;
  readonly revisions: Revision[];
  now = instant(STARTED);
  tests = 0;
  private made = 0;
  private readonly meant: { at: number; body: EntryBody }[] = [];

  constructor(
    readonly situation: SituationId,
    readonly seed: number,
  ) {
    this.begun = begin({ situation, seed, startedAt: STARTED, zone: 'UTC' });
    this.revisions = [...this.begun.revisions];
  }

  get day(): number {
    return (this.now - this.begun.start.filledAt) / DAY_MS;
  }

  /** Lets time pass, and does meanwhile what was meant to be done by then. */
  wait(ms: number): void {
    const until = this.now + Math.max(0, Math.round(ms));
    for (const { at, body } of this.meant.splice(0).sort((a, b) => a.at - b.at)) {
      if (at > until) this.meant.push({ at, body });
      else {
        this.now = Math.max(this.now, at);
        this.do(body);
      }
    }
    this.now = until;
  }

  /** Means to do something at a later moment. */
  later(at: number, body: EntryBody): void {
    this.meant.push({ at, body });
  }

  /** Whether something is meant to be done still. */
  get busy(): boolean {
    return this.meant.length > 0;
  }

  do(body: EntryBody): void {
    this.write({ ...body, tankId: this.begun.tankId, at: isoInZone(this.now, 'UTC') } as Entry);
  }

  /** Tests what is named, each with the kit that is there for it. */
  test(parameters: readonly ParameterId[]): void {
    const lived = live(this.begun.start, deedsOf(this.revisions), this.now);
    for (const parameter of parameters) {
      const kit = this.kits().findLast(({ body }) => body.parameter === parameter);
      if (!kit) continue;
      this.tests += 1;
      const at = isoInZone(this.now, 'UTC');
      this.write(readingOf(this.begun.tankId, kit.id, kit.body, lived, at));
    }
  }

  kits(): RevisionOf<'kit'>[] {
    return this.revisions.flatMap((revision) => (revision.type === 'kit' ? [revision] : []));
  }

  /** Buys a new kit in the place of each that is past its date, as Today asks. */
  renewKits(): void {
    for (const { body } of this.kits()) {
      if (body.expiresOn === null || instant(`${body.expiresOn}T00:00:00Z`) > this.now) continue;
      if (this.kits().some((kit) => kit.body.parameter === body.parameter && !kit.body.expiresOn)) {
        continue;
      }
      this.buy(body);
    }
  }

  /** Takes another kit for each, as one does whose kit may be dead. */
  otherKits(parameters: readonly ParameterId[]): void {
    for (const parameter of parameters) {
      const kit = this.kits().findLast(({ body }) => body.parameter === parameter);
      if (kit) this.buy(kit.body);
    }
  }

  private buy(kit: Kit): void {
    const { id, stamp } = this.stamp();
    this.revisions.push(
      createRecord(stamp, id, 'kit', {
        ...kit,
        name: `${kit.name}, new`.slice(0, 60),
        expiresOn: null,
      }),
    );
  }

  history(): TankHistory {
    const log = mergeRevisions(EMPTY_LOG, this.revisions);
    return tankHistory(log, this.begun.tankId, this.now + 60_000);
  }

  played(): Played {
    const header: RunHeader = {
      ...{ seed: this.seed, situation: this.situation, startedAt: STARTED, zone: 'UTC' },
      ...{ clock: new Date(this.now).toISOString(), said: [], answer: null },
    };
    return playedLog(header, this.revisions);
  }

  private stamp(): { id: string; stamp: ActStamp } {
    this.made += 1;
    const id = testId(1_000_000 * (this.seed + 1) + this.made);
    const recordedAt = new Date(this.now).toISOString();
    return { id, stamp: { actId: id, device: 'keeper', recordedAt } };
  }

  private write(entry: Entry): void {
    const { id, stamp } = this.stamp();
    this.revisions.push(createRecord(stamp, id, 'entry', entry));
  }
}

const SUBSTANCE = { strength: null, about: false } as const;
const BOTTLE: EntryBody = {
  kind: 'dose',
  substance: 'bacteria',
  amount: { by: 'mL', mL: 160 },
  ...SUBSTANCE,
};
/** A rise aimed at, as N, by the keeper's own sums. */
const dose = (rise: number): EntryBody => ({
  kind: 'dose',
  substance: 'ammoniumChloride',
  amount: { by: 'target', rise: { value: rise, unit: 'ammonia N' } },
  ...SUBSTANCE,
});
const fish = (count: number, grams: number): EntryBody => ({
  kind: 'animals',
  move: 'in',
  group: 'fish',
  what: 'Clownfish',
  count,
  grams: count * grams,
});

/** How a practice tank went. */
export interface PracticeOutcome {
  /** Day on which the verdict was *ready*; null if it never was. */
  ready: number | null;
  /** Day from which it truly carried its first fish; null if it never did. */
  truly: number | null;
  deaths: number;
  /** Highest that ammonia or nitrite came to in the fortnight after the first fish, mg N/L. */
  peak: number;
  tests: number;
}

/** Whether Cycle says of an open criterion that a dose settles it. */
const asksDose = ({ criteria }: Verdict) =>
  criteria.some(({ role, state, doses }) => role === 'cycle' && state !== 'met' && doses);

/** Whether both were read as zero after whatever was dosed last, and within days. */
const readsZero = ({ readings, entries }: TankHistory) =>
  (['ammonia', 'nitrite'] as const).every((parameter) => {
    const last = readings[parameter].at(-1);
    return last?.best === 0 && last.at > (entries.dose.at(-1)?.at ?? 0);
  });

/** Days for which a keeper goes on with the kit that was bought last. */
const NEW_KIT_DAYS = 20;

/** How Today asks for another kit. */
const ANOTHER_KIT = /read by another kit/;

/** Raises alkalinity in equal steps, one a day, unless a raise is under way; by a test of it first. */
function raise(life: PracticeLife): void {
  if (life.busy) return;
  life.test(['alkalinity']);
  const due = alkalinityDue(life.history(), life.now);
  if (!due) return;
  const grams = due.grams / due.days;
  for (let n = 0; n < due.days; n += 1) {
    life.later(life.now + n * DAY_MS, {
      kind: 'dose',
      substance: 'alkalinity',
      amount: { by: 'grams', grams },
      ...SUBSTANCE,
    });
  }
}

function outcomeOf(life: PracticeLife, ready: number | null): PracticeOutcome {
  const { start } = life.begun;
  const course = courseUntil(life.played());
  const from = ready === null ? Infinity : Math.floor(ready * 24);
  let peak = 0;
  for (let hour = from; hour < course.series.ammonia.length; hour += 1) {
    peak = Math.max(peak, course.series.ammonia[hour] ?? 0, course.series.nitrite[hour] ?? 0);
  }
  return {
    ready,
    truly: trulyReadyOn(start, deedsOf(life.revisions), Math.ceil(life.day) + 30),
    deaths: course.lived.state.deaths.length,
    peak,
    tests: life.tests,
  };
}

/**
 * Lives a situation by what Today says and nothing else: the first dose as the method has it, what the next test
 * names when it says so, the doses and the alkalinity that it asks for, and the first fish at *ready*.
 */
export function liveByToday(
  situation: SituationId,
  seed: number,
  options: ForecastOptions,
  watch: (life: PracticeLife, verdict: Verdict, forecast: Forecast) => void = () => undefined,
): PracticeOutcome {
  const life = new PracticeLife(situation, seed);
  const { method } = situationOf(situation);
  life.wait(2 * HOUR_MS);
  life.renewKits();
  const dosed = life.history().entries.dose.length > 0;
  if (!dosed && method.source === 'ammoniumChloride') life.do(dose(1.56));
  if (!dosed && method.seeding === 'bottle') life.do(BOTTLE);
  life.do({ kind: 'heaterCheck' });
  life.do({ kind: 'lid', fitted: true });
  life.test(['temperature', 'salinity', 'alkalinity', 'ph']);
  life.wait(12 * HOUR_MS);
  const began = life.now;
  let kitsAt = -Infinity;
  while (life.now - began < LONGEST * DAY_MS) {
    const history = life.history();
    const at = life.now;
    const problem = cycleProblem(history, at);
    const atHand = life
      .kits()
      .flatMap(({ id, body }) =>
        body.parameter === 'ammonia' || body.parameter === 'nitrite' ? [kitAtHand(id, body)] : [],
      )
      .filter((kit) => kit !== null);
    const forecast = forecastOf(problem, { ...options, atHand });
    const verdict = verdictOf(history, at, bands, forecast.assurance);
    watch(life, verdict, forecast);
    if (verdict.ready) {
      const ready = life.day;
      life.do(fish(1, 4));
      life.wait(14 * DAY_MS);
      return outcomeOf(life, ready);
    }
    // Where nothing is known to have gone in, Cycle asks for a dose and forecasts nothing.
    const next = forecast.fed ? forecast.nextTest : null;
    const session = next
      ? nextTestSession(next, history, bands, at)
      : conditionTestSession(history, bands, at);
    if (session?.raise) raise(life);
    if (next && ANOTHER_KIT.test(next.because) && life.now > kitsAt + NEW_KIT_DAYS * DAY_MS) {
      life.otherKits(next.parameters);
      kitsAt = life.now;
    }
    if (next?.purpose === 'challenge') life.do(dose(next.dose));
    else if (asksDose(verdict) && (!forecast.fed || readsZero(history))) life.do(dose(1.56));
    life.wait(next ? Math.max(12 * HOUR_MS, next.at - life.now) : DAY_MS);
    if (session) life.test(session.parameters);
  }
  return outcomeOf(life, null);
}

/** What a situation tempts to, and whether its lesson shows in what came of it. */
interface Temptation {
  does: (life: PracticeLife) => void;
  shows: (tempted: Course, patient: Course, life: PracticeLife) => boolean;
}

const last = (series: Float64Array) => series[series.length - 1] ?? 0;
const most = (series: Float64Array) => series.reduce((high, value) => Math.max(high, value), 0);
export const TEMPTATIONS: Partial<Record<SituationId, Temptation>> = {
  meterSet: {
    does: (life) => {
      life.test(['salinity']);
      life.wait(14 * DAY_MS);
    },
    shows: ({ series }, _patient, life) => {
      const read = life.history().readings.salinity.at(-1)?.best ?? 0;
      return read - last(series.salinity) > 3;
    },
  },
  chloramine: {
    does: (life) => {
      life.do({ kind: 'waterChange', litres: 80, source: 'untreatedTap', newWater: {} });
      life.wait(3 * DAY_MS);
    },
    shows: (tempted, patient) =>
      last(tempted.series.capacityA) < 0.5 * last(patient.series.capacityA),
  },
  bottleInSun: {
    does: (life) => {
      life.do(fish(4, 5));
      life.wait(14 * DAY_MS);
    },
    // A week after the bottle's week the fish still stand in ammonia.
    shows: ({ series }) => most(series.ammonia.subarray(24 * 12)) > SAFE,
  },
  weakAmmonium: {
    does: (life) => {
      life.do(dose(1.56));
      life.wait(HOUR_MS);
    },
    shows: (tempted, patient) =>
      last(tempted.series.ammonia) - last(patient.series.ammonia) < 0.6 * 1.56,
  },
  alkalinityGone: {
    does: (life) => {
      life.do(BOTTLE);
      life.wait(10 * DAY_MS);
    },
    shows: ({ series }) => last(series.ammonia) > 0.1 || last(series.nitrite) > 0.1,
  },
  spentKit: {
    does: (life) => {
      life.do(fish(2, 5));
      life.wait(2 * DAY_MS);
      life.test(['ammonia']);
    },
    // The card reads zero over what burns gills.
    shows: ({ series }, _patient, life) => {
      const read = life.history().readings.ammonia.at(-1)?.best ?? 1;
      return read < 0.2 && last(series.ammonia) > SAFE;
    },
  },
  fishToday: {
    does: (life) => {
      life.do(fish(4, 5));
      life.wait(14 * DAY_MS);
    },
    shows: (tempted) => {
      const from = Math.floor(24 * 5.2);
      return (
        most(tempted.series.ammonia.subarray(from)) > SAFE ||
        most(tempted.series.nitrite.subarray(from)) > SAFE
      );
    },
  },
  nothingWrong: {
    does: (life) => {
      life.do(BOTTLE);
      life.do({ kind: 'waterChange', litres: 80, source: 'purified', newWater: {} });
      life.wait(20 * DAY_MS);
    },
    shows: (tempted, patient) => {
      const clear = ({ series }: Course) => series.nitrite.findLastIndex((value) => value > 0.1);
      return clear(tempted) > clear(patient) - 24 * 5;
    },
  },
};

/** Does what a situation tempts to; whether its lesson shows beside a keeper who does nothing meanwhile. */
export function lessonShows(situation: SituationId, seed: number): boolean {
  const temptation = TEMPTATIONS[situation];
  if (!temptation) throw new RangeError(`${situation} tempts to nothing.`);
  const life = new PracticeLife(situation, seed);
  temptation.does(life);
  const patient = new PracticeLife(situation, seed);
  patient.now = life.now;
  return temptation.shows(courseUntil(life.played()), courseUntil(patient.played()), life);
}
