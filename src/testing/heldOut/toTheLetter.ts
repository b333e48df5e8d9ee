import { cycleProblem } from '@/core/cycle/problem/problem';
import { kitAtHand } from '@/core/cycle/problem/observations';
import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import { alkalinityDue, type AlkalinityRaise } from '@/core/cycle/dosing/alkalinityRaise';
import { nextTestSession, type NextTestSession } from '@/core/cycle/nextTestSession';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { tankHistory } from '@/core/history/derive';
import type { TankHistory } from '@/core/history/tankHistory';
import { seededRandom, type Random } from '@/core/math/random';
import { bandsOf } from '@/core/parameters/bands';
import type { EntryBody } from '@/core/records/kinds';
import { kitFrom } from '@/core/records/kitTemplates';
import { DEFAULT_DONE_RULE, type DoneRuleChoice } from '@/core/records/schema/tank';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { logOf, readTestSession, type Life } from './keeper';
import { falsehoodOf, type Falsehood } from './truth';
import { heated, lasting, runReef, type Reef, type TrueDose, type TrueEvent } from './reef';

/** How a keeper fared who did what the next test says, and nothing else. */
export interface Followed {
  /** Day on which the rules granted it, and on which the verdict was *ready*; null if never. */
  granted: number | null;
  ready: number | null;
  /** What would be false about calling it ready on that day, or on the last one. */
  falsehood: Falsehood | null;
  /** Tests of ammonia and nitrite, and of what else was named. */
  tests: number;
  others: number;
  /** Doses beyond the first, each advised. */
  doses: number;
  /** Times that alkalinity was raised. */
  raised: number;
}

const bands = bandsOf('mixedReef', {});
/** How long a tank is followed, and how long it is simulated so that a verdict can be judged, days. */
const LONGEST = 278;
const SIMULATED = 300;

const momentOf = (day: number) => FILLED + Math.round(day * DAY_MS);

/** What grows in a lit tank, as its keeper logs it. */
const GROWTHS: [number, EntryBody][] = [
  [3, { kind: 'light', state: 'on' }],
  [12, { kind: 'sighting', growth: 'diatoms', extent: 'patches' }],
  [18, { kind: 'sighting', growth: 'film', extent: 'patches' }],
  [26, { kind: 'sighting', growth: 'film', extent: 'patches' }],
];

/** What the keeper of one tank does, and what their log holds of it. */
class LetterLife {
  readonly doses: TrueDose[];
  readonly raises: (TrueEvent & { what: 'alkalinity'; grams: number })[] = [];
  private readonly conditions: number[] = [];
  private readonly nitrates: { day: number; step: number }[] = [];
  private readonly reef: Reef;
  private readonly played: Life;

  constructor(
    life: Life,
    private readonly random: Random,
    private readonly doneRule: DoneRuleChoice,
  ) {
    this.doses = life.doses.slice(0, 1);
    this.reef = lasting(heated(life.reef), SIMULATED);
    const course = runReef(this.reef, this.doses);
    this.played = { ...life, reef: this.reef, doses: this.doses, course, testSessions: [] };
  }

  historyOn(day: number, at: number): TankHistory {
    const { alkalinity } = this.played.course;
    const builder = logOf(this.played, day, { doneRule: this.doneRule });
    if (this.doneRule.rule === 'bottleProgramme') {
      builder.dose(momentOf(1), 2, { substance: 'bacteria', amount: { by: 'mL', mL: 100 } });
    }
    if (this.doneRule.rule === 'algaeSuccession') {
      for (const [when, entry] of GROWTHS) if (when <= day) builder.entry(momentOf(when), entry);
    }
    for (const { day: when, step } of this.nitrates) {
      if (when <= day) builder.nitrate(momentOf(when), step);
    }
    const known = (moments: number[]) => moments.filter((moment) => moment <= day);
    for (const when of known(this.conditions)) {
      const dkh = Math.round((alkalinity[Math.round(when * 24)] ?? 0) * 10) / 10;
      builder.conditions(momentOf(when), dkh);
    }
    for (const { day: when, grams } of this.raises) {
      if (when > day) continue;
      const amount = { by: 'grams' as const, grams };
      const dose = { kind: 'dose', substance: 'alkalinity', strength: null, about: false } as const;
      builder.entry(momentOf(when), { ...dose, amount });
    }
    return tankHistory(builder.log(), builder.tankId, at);
  }

  /** Raises alkalinity in equal steps, one a day, unless a raise is under way; by a test of it first. */
  raise(asked: AlkalinityRaise, from: number): boolean {
    if (this.raises.some(({ day }) => day > from)) return false;
    if (!asked.tested) this.conditions.push(from);
    const at = momentOf(from) + 60_000;
    const due = asked.tested ? asked : alkalinityDue(this.historyOn(from, at), at);
    if (!due) return false;
    const { now, goal, days } = due;
    const step = {
      what: 'alkalinity' as const,
      rise: (goal - now) / days,
      grams: due.grams / days,
    };
    for (let n = 0; n < days; n += 1) this.raises.push({ ...step, day: from + 0.03 + n });
    this.run();
    return true;
  }

  dose(day: number, rise: number): void {
    this.doses.push({ day, believed: rise });
    this.run();
  }

  /** Tests what the test session names; a condition that is named is measured with the others. */
  test({ parameters }: NextTestSession, day: number): void {
    const asked = (parameter: 'ammonia' | 'nitrite') => parameters.includes(parameter);
    const what = { ammonia: asked('ammonia'), nitrite: asked('nitrite') };
    this.played.testSessions.push(readTestSession(this.played, day, what, this.random));
    if (parameters.includes('nitrate')) {
      const { nitrate } = readTestSession(
        this.played,
        day,
        { ammonia: false, nitrite: false, nitrate: true },
        this.random,
      );
      if (nitrate !== null) this.nitrates.push({ day, step: nitrate });
    }
    const condition = ['alkalinity', 'salinity', 'temperature'] as const;
    if (condition.some((p) => parameters.includes(p))) this.conditions.push(day);
  }

  falsehoodOn(day: number): Falsehood | null {
    const { reef, doneRule, doses, raises } = this;
    return falsehoodOf({ reef, doneRule, doses, events: raises }, day);
  }

  private run(): void {
    this.played.course = runReef(this.reef, this.doses, this.raises);
  }
}

/**
 * Follows the next test to the letter under a rule for done, from one dose on: tests what it names,
 * when it says so, doses and raises alkalinity where it says so, and looks at the verdict.
 * @param longest days for which it is followed at most
 */
export function followToTheLetter(
  life: Life,
  seed: number,
  options: ForecastOptions,
  doneRule: DoneRuleChoice = DEFAULT_DONE_RULE,
  longest = LONGEST,
): Followed {
  const keeper = new LetterLife(life, seededRandom(seed), doneRule);
  const atHand = (['ammoniaCard', 'nitriteCard'] as const).flatMap(
    (id) => kitAtHand(id, kitFrom(id, 0)) ?? [],
  );
  const followed: Followed = {
    granted: null,
    ready: null,
    falsehood: null,
    tests: 0,
    others: 0,
    doses: 0,
    raised: 0,
  };
  let day = 1.5;
  while (day < longest) {
    const at = momentOf(day) + 60_000;
    const history = keeper.historyOn(day, at);
    const forecast = forecastOf(cycleProblem(history, at), { ...options, atHand });
    const verdict = verdictOf(history, at, bands, forecast.assurance);
    if (verdict.granted) followed.granted ??= day;
    if (verdict.ready) return { ...followed, ready: day, falsehood: keeper.falsehoodOn(day) };
    const next = forecast.nextTest;
    if (!next) {
      day += 1;
      continue;
    }
    const testSession = nextTestSession(next, history, bands, at);
    if (testSession.raise && keeper.raise(testSession.raise, day)) followed.raised += 1;
    if (next.purpose === 'challenge') {
      keeper.dose(day + 0.05, next.dose);
      followed.doses += 1;
    }
    day = Math.max(day + 0.5, (next.at - FILLED) / DAY_MS);
    keeper.test(testSession, day);
    followed.tests += next.parameters.length;
    followed.others += testSession.parameters.length - next.parameters.length;
  }
  return { ...followed, falsehood: keeper.falsehoodOn(longest) };
}
