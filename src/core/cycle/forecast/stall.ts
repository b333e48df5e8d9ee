import { NO_AMMONIA } from '../doseAdvice';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { formatPlain } from '../../units/format';
import type { Ensemble } from '../inference/ensemble';
import type { HypothesisId } from '../inference/hypotheses';
import { CycleModel } from '../inference/model';
import { stateAt } from '../kinetics/run';
import { pastEnvironment } from '../problem/conditions';
import type { Addition, CycleProblem } from '../problem/types';
import { nowDay, runAhead, type Ahead } from './course/ahead';
import { wholePercent } from './dates/dates';
import type { Cause, CauseId } from './types';

/** A cause must cost this many days, and this share of the way, to be called one. */
const WORTH_DAYS = 2;
const WORTH_SHARE = 0.12;
/** Tanks played for each condition. */
const PLAYED = 80;
/** Causes less likely than this are not named. */
const NAMED = 0.03;
/** Alkalinity and temperature under which they are worth a look, dKH and °C; above this ammonia is too much. */
const LOW_ALKALINITY = 6.5;
const COLD = 24.5;
const TOO_MUCH = 4;
/** Filter bacteria fed less than this in all have starved, mg N/L. */
const LITTLE_FOOD = 1;

const REMEDY: Record<CauseId, string> = {
  simplyEarly: 'Wait, and test when the next test is due.',
  lowAlkalinity: 'Raise alkalinity to 8.5 dKH, by 1.4 dKH a day at most, and test it again.',
  cold: 'Bring the water to 26 °C over a day or two.',
  overdose:
    'Change half of the water to bring ammonia under 4 ppm N, and dose no more until it is clear.',
  weakDose:
    'Test ammonia an hour after the next dose: if it rises less than the label says, the bottle is weak. Dose until the test itself reads 2 ppm.',
  deadBottle: 'Use a fresh bottle that was kept as its label asks, or a handful of seeded media.',
  filterBacteriaHarmed:
    'Check for chlorine, medicine or rock left dry; use carbon, change water, and seed again.',
  kitSuspect: 'Test the same water with another kit, and fresh salt water as a zero.',
  notTakenHold:
    'Check the ammonia kit against fresh salt water, as a zero. If it reads true, seed the tank anew with a fresh bottle or seeded media, and look for chlorine or medicine. Dose no more till it falls.',
  unloggedDose: 'Look for ammonia that was not logged: food, something dead, tap water. Log it.',
};

/** What to do about a cause; never to add ammonia where there is a reason against it. */
function remedyOf(cause: CauseId, { facts, animals }: CycleProblem): string {
  if (cause !== 'weakDose') return REMEDY[cause];
  return facts.noDose ?? (animals ? NO_AMMONIA : REMEDY[cause]);
}

const CAUSE_OF: Partial<Record<HypothesisId, CauseId>> = {
  weakDose: 'weakDose',
  deadBottle: 'deadBottle',
  filterBacteriaHarmed: 'filterBacteriaHarmed',
  unloggedDose: 'unloggedDose',
  ammoniaKit: 'kitSuspect',
  nitriteKit: 'kitSuspect',
  ammoniaKitDead: 'kitSuspect',
  nitriteKitDead: 'kitSuspect',
};

const EVIDENCE: Partial<Record<HypothesisId, string>> = {
  weakDose: 'The readings after the doses fit a bottle much weaker than its label.',
  deadBottle: 'The filter bacteria grow as from bare rock, as if the bottle brought nothing.',
  filterBacteriaHarmed: 'The readings fit filter bacteria that were cut down on the way.',
  unloggedDose: 'More nitrogen passed through than the log put in.',
  ammoniaKit: 'The other readings fit together better if the ammonia kit is off.',
  nitriteKit: 'The other readings fit together better if the nitrite kit is off.',
  ammoniaKitDead: 'The ammonia kit may show nothing any more, whatever is in the water.',
  nitriteKitDead: 'The nitrite kit may show nothing any more, whatever is in the water.',
};

function clearDays(ahead: Ahead): Float64Array {
  return ahead.ammoniaClears.map((a, i) => Math.max(a, ahead.nitriteClears[i] as number));
}

/**
 * The share of tanks that would have been clear clearly sooner had one condition been otherwise from
 * the start: the same particles, run through the changed past.
 */
function shareHeldBack(
  ensemble: Ensemble,
  changed: CycleProblem,
  clear: Float64Array,
): { share: number; days: number } {
  const fit = ensemble.fits[0];
  if (!fit) return { share: 0, days: 0 };
  const own = ensemble.members.flatMap((member, row) =>
    member.hypothesis === fit.hypothesis.id ? [{ member, row }] : [],
  );
  if (own.length === 0) return { share: 0, days: 0 };
  const stride = Math.max(1, Math.floor(own.length / PLAYED));
  const model = new CycleModel(changed, fit.hypothesis, pastEnvironment(changed));
  const { every, points } = ensemble.past;
  const chosen = own.filter((_, i) => i % stride === 0);
  const past = {
    every,
    points,
    ammonia: new Float32Array(points * chosen.length),
    nitrite: new Float32Array(points * chosen.length),
    nitrate: new Float32Array(0),
    alkalinity: new Float32Array(0),
  };
  const members = chosen.map(({ member }, row) => {
    model.run(fit.sample.particles, member.particle * fit.sample.size);
    for (let point = 0; point < points; point += 1) {
      past.ammonia[row * points + point] = model.course.ammonia[point * every] as number;
      past.nitrite[row * points + point] = model.course.nitrite[point * every] as number;
    }
    return { ...member, now: stateAt(model.course, changed.steps) };
  });
  const otherwise = clearDays(runAhead({ ...ensemble, problem: changed, members, past }));
  let count = 0;
  const saved: number[] = [];
  chosen.forEach(({ row }, i) => {
    const was = Math.min(clear[row] as number, nowDay(changed) + 120);
    const is = Math.min(otherwise[i] as number, nowDay(changed) + 120);
    saved.push(was - is);
    if (was - is >= WORTH_DAYS && was - is >= WORTH_SHARE * was) count += 1;
  });
  return {
    share: count / chosen.length,
    days: quantileOfSorted(sortedCopy(saved), 0.5),
  };
}

function insertDaily(problem: CycleProblem, addition: Omit<Addition, 'step'>): CycleProblem {
  const daily: Addition[] = [];
  for (let step = 0; step < problem.steps; step += problem.stepsPerDay) {
    daily.push({ step, ...addition });
  }
  const additions = [...problem.additions, ...daily]
    .map((a, index) => ({ a, index }))
    .sort((x, y) => x.a.step - y.a.step || x.index - y.index)
    .map(({ a }) => a);
  return { ...problem, additions };
}

interface Condition {
  cause: CauseId;
  changed: CycleProblem;
  evidence: (days: number) => string;
}

/** The conditions worth playing otherwise, by what the log and the course show. */
function conditionsWorthALook(ensemble: Ensemble): Condition[] {
  const { problem, past, members } = ensemble;
  const list: Condition[] = [];
  const middle = (series: Float32Array, point: number) =>
    quantileOfSorted(
      sortedCopy(members.map((_, row) => series[row * past.points + point] as number)),
      0.5,
    );
  let lowest = Infinity;
  let highest = 0;
  for (let point = 0; point < past.points; point += 1) {
    lowest = Math.min(lowest, middle(past.alkalinity, point));
    highest = Math.max(highest, middle(past.ammonia, point));
  }
  const about = (days: number) =>
    days >= 1 ? ` It costs about ${formatPlain(days, 0)} days.` : '';
  if (lowest < LOW_ALKALINITY) {
    list.push({
      cause: 'lowAlkalinity',
      changed: insertDaily(problem, { source: 'exact', ownSd: 0, alkalinityIs: 8.5 }),
      evidence: (days) =>
        `Alkalinity has been down to about ${formatPlain(lowest, 1)} dKH, where filter bacteria work slowly.${about(days)}`,
    });
  }
  const temperatures = problem.conditions.temperature.map((k) => k.value);
  const coldest = Math.min(Infinity, ...temperatures);
  if (coldest < COLD) {
    list.push({
      cause: 'cold',
      changed: {
        ...problem,
        conditions: {
          ...problem.conditions,
          temperature: problem.conditions.temperature.map((k) => ({
            ...k,
            value: Math.max(26, k.value),
          })),
        },
      },
      evidence: (days) => `The water was down to ${formatPlain(coldest, 1)} °C.${about(days)}`,
    });
  }
  if (highest > TOO_MUCH) {
    const share = 2 / highest;
    list.push({
      cause: 'overdose',
      changed: {
        ...problem,
        additions: problem.additions.map((a) =>
          a.ammonia === undefined ? a : { ...a, ammonia: a.ammonia * share },
        ),
      },
      evidence: (days) =>
        `Ammonia has been up to about ${formatPlain(highest, 1)} mg N/L; above 4 filter bacteria are held back.${about(days)}`,
    });
  }
  return list;
}

/** Days within which filter bacteria take hold in all but a few tanks, by the priors: ammonia falls by then. */
const TAKES_HOLD_DAYS = 45;
/** Ammonia that stands, mg N/L, and a capacity too small to have taken hold, mg N/L/day. */
const STANDS = 0.3;
const HARDLY = 0.15;

/** The share of tanks in which ammonia has stood for long and nothing uses it. */
function notTakenHold({ problem, members }: Ensemble): { share: number; days: number } {
  const first = problem.additions.find((a) => (a.ammonia ?? 0) + (a.organic ?? 0) > 0)?.step ?? 0;
  const days = (problem.steps - first) / problem.stepsPerDay;
  if (days < TAKES_HOLD_DAYS) return { share: 0, days };
  const stuck = members.filter(({ now }) => now.ammonia >= STANDS && now.capacityA < HARDLY).length;
  return { share: stuck / Math.max(1, members.length), days };
}

/** What holds a tank back, if anything does: the stories weighed, and the conditions played otherwise. */
export function stallOf(ensemble: Ensemble, ahead: Ahead): Cause[] {
  const { fits, problem } = ensemble;
  const base = fits[0]?.probability ?? 1;
  const clear = clearDays(ahead);
  const causes: Cause[] = [];
  const add = (cause: CauseId, probability: number, evidence: string) => {
    const there = causes.find((c) => c.cause === cause);
    if (there) {
      if (probability > there.probability) there.evidence = evidence;
      there.probability += probability;
    } else causes.push({ cause, probability, evidence, remedy: remedyOf(cause, problem) });
  };
  let heldBack = 0;
  for (const condition of conditionsWorthALook(ensemble)) {
    const { share, days } = shareHeldBack(ensemble, condition.changed, clear);
    if (share * base >= NAMED) {
      add(condition.cause, share * base, condition.evidence(days));
      heldBack = Math.max(heldBack, share);
    }
  }
  const stuck = notTakenHold(ensemble);
  if (stuck.share * base >= NAMED) {
    add(
      'notTakenHold',
      stuck.share * base * (1 - heldBack),
      `Ammonia has stood for ${formatPlain(stuck.days, 0)} days and is hardly used; in all but a few tanks filter bacteria take hold within ${TAKES_HOLD_DAYS}.`,
    );
    heldBack += stuck.share * (1 - heldBack);
  }
  const dosed = problem.additions.reduce((sum, a) => sum + (a.ammonia ?? 0) + (a.organic ?? 0), 0);
  // What feeds filter bacteria with animals in is what they make; too little of it is no fault.
  const underfed =
    !problem.animals &&
    problem.facts.noDose === null &&
    nowDay(problem) > 7 &&
    problem.fed &&
    dosed > 0 &&
    dosed < LITTLE_FOOD;
  if (underfed && heldBack < 0.5) {
    add(
      'weakDose',
      base * 0.6,
      `Only about ${formatPlain(dosed, 1)} mg N/L went in altogether; filter bacteria grow no more than they are fed for.`,
    );
    heldBack = Math.max(heldBack, 0.6);
  }
  for (const { hypothesis, probability } of fits) {
    const cause = CAUSE_OF[hypothesis.id];
    if (cause) {
      const kit = problem.kits[hypothesis.kit];
      const evidence = EVIDENCE[hypothesis.id] ?? '';
      add(cause, probability, kit ? `${evidence} (${kit.name})` : evidence);
    }
  }
  add(
    'simplyEarly',
    base * (1 - heldBack),
    'The readings fit filter bacteria that grow as they usually do.',
  );
  return (
    causes
      // With an animal in, nothing is simply early: it is watched.
      .filter((c) => (c.cause === 'simplyEarly' ? !problem.animals : c.probability >= NAMED))
      .map((c) => ({ ...c, probability: wholePercent(c.probability) }))
      .sort((a, b) => b.probability - a.probability)
  );
}
