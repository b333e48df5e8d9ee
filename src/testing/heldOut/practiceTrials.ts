import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import { cycleProblem } from '@/core/cycle/problem/problem';
import { tankHistory } from '@/core/history/derive';
import { seededRandom } from '@/core/math/random';
import { deedsOf } from '@/core/practice/deeds/deeds';
import { courseOf, type Course } from '@/core/practice/world/live';
import { EMPTY_LOG, mergeRevisions } from '@/core/records/log';
import type { Revision } from '@/core/records/schema/revision';
import { DAY_MS, instant } from '@/core/time/zone';
import { BOTTLE, dose, PracticeLife } from './practiceKeeper';
import { METHODS, type Trial } from './study';

/** Longest that a tank is followed, days; those that clear later than forty days before are drawn anew. */
const LIFE_DAYS = 160;
const CLEAR = 0.1;

/** Day from which both stay under 0.1 mg N/L; Infinity if that is not within its life. */
function clearDay({ series }: Course): number {
  const stands = (value: number, hour: number) =>
    value >= CLEAR || (series.nitrite[hour] ?? 0) >= CLEAR;
  const last = series.ammonia.findLastIndex(stands);
  return last + 1 === series.ammonia.length ? Infinity : (last + 1) / 24;
}

/** What a revision was done at: its entry's moment, or the start for what is no entry. */
const doneBy = (until: number) => (revision: Revision) =>
  revision.type !== 'entry' || instant(revision.body?.at ?? '') <= until;

/** The rule under which the forecast names the day on which both are clear, as the other draws have it. */
const bothZero = (revision: Revision): Revision =>
  revision.type === 'tank' && revision.body
    ? { ...revision, body: { ...revision.body, doneRule: { rule: 'bothZero' } } }
    : revision;

/** A keeper of one of the free situations who doses, tests now and then, and follows nothing. */
export class PlainPracticeLife {
  readonly life: PracticeLife;

  constructor(
    readonly method: (typeof METHODS)[number],
    seed: number,
  ) {
    const random = seededRandom(seed);
    this.life = new PracticeLife(method, seed);
    const { life } = this;
    life.wait(DAY_MS / 12);
    const size = random() < 0.5 ? 1.55 : 2;
    const every = 1.5 + 3 * random();
    const skips = 0.25 * random();
    const again = random() < 0.5 ? 5 + 9 * random() : Infinity;
    if (method !== 'liveRock') life.do(dose(size));
    if (method === 'bottle') life.do(BOTTLE);
    life.test(['temperature', 'salinity', 'alkalinity', 'ph']);
    let dosedAgain = method === 'liveRock';
    while (life.day < LIFE_DAYS - 40) {
      life.wait(every * (0.6 + 0.8 * random()) * DAY_MS);
      if (random() >= skips) life.test(['ammonia', 'nitrite']);
      if (dosedAgain || life.day < again) continue;
      dosedAgain = true;
      life.do(dose(size));
    }
  }

  private at(day: number): number {
    return this.life.begun.start.filledAt + day * DAY_MS;
  }

  private until(day: number): Revision[] {
    return this.life.revisions.filter(doneBy(this.at(day)));
  }

  /** The day from which it was truly clear, with nothing done after a day that is given. */
  clearsWithout(after: number): number {
    const deeds = deedsOf(this.until(after));
    return clearDay(courseOf(this.life.begun.start, deeds, this.at(LIFE_DAYS)));
  }

  /** What the app says on a day, in days since it was filled; and nitrite's capacity over what it truly is. */
  forecastOn(day: number, options: ForecastOptions) {
    const at = this.at(day);
    const log = mergeRevisions(EMPTY_LOG, this.until(day).map(bothZero));
    const problem = cycleProblem(tankHistory(log, this.life.begun.tankId, at), at);
    const { milestones, misfit, capacity } = forecastOf(problem, options);
    const dayOf = (ms: number | null) =>
      ms === null ? Infinity : (ms - this.life.begun.start.filledAt) / DAY_MS;
    const truth = courseOf(this.life.begun.start, deedsOf(this.until(day)), at).series.capacityB;
    return {
      low: dayOf(milestones.ready.p10),
      middle: dayOf(milestones.ready.p50),
      high: dayOf(milestones.ready.p90),
      misfit,
      capacityB: capacity.nitrite.p50 / (truth.at(-1) ?? 0),
    };
  }
}

/** Clears: day from which it was clear with all that was done. */
export type PracticeTrial = Omit<Trial, 'thumb'> & { clears: number };

/** Asked at shares of the way of one life; none where it was clear within three days or not within its life. */
export function practiceTrials(
  seed: number,
  shares: readonly number[],
  options: ForecastOptions,
): PracticeTrial[] {
  const method = METHODS[seed % METHODS.length] ?? 'dryRock';
  const life = new PlainPracticeLife(method, seed);
  const clears = life.clearsWithout(LIFE_DAYS);
  if (!(clears > 3 && clears < LIFE_DAYS - 40)) return [];
  return shares.map((share) => ({
    ...{ method, share, clears, truth: life.clearsWithout(share * clears) },
    ...life.forecastOn(share * clears, options),
  }));
}
