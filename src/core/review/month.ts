import { sideOf, type Bands } from '../parameters/bands';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../parameters/registry';
import { paidFor } from '../costs/costs';
import type { Logged, TankHistory } from '../history/tankHistory';
import { animalsCalled, joins } from '../records/kinds/animals';
import { choreOfKey } from '../maintenance/chores';
import { shiftedMonth } from '../time/month';
import { dayStart } from '../time/zone';
import { countOf, listWords } from '../units/format';
import { goesByLine, holdingOf, stabilityOf, type Stability } from '../water/stability';

/** How a parameter went in a month. */
export interface ParameterMonth {
  parameter: ParameterId;
  tests: number;
  /** The middle of its readings, canonical. */
  middle: number;
  /** Readings outside its band; null where it has none. */
  outside: number | null;
  stability: Stability | null;
  /** Which way it drifted, where that is sure. */
  drift: 'up' | 'down' | null;
}

/** A month of a tank. */
export interface MonthReview {
  month: string;
  /** Its first moment and the one after its last, ms. */
  from: number;
  until: number;
  parameters: ParameterMonth[];
  tests: number;
  testMinutes: number;
  changes: number;
  changedLitres: number;
  added: string[];
  lost: string[];
  /** Chores said to be done, and left out. */
  done: number;
  skipped: number;
  /** Costs of the month, and what of them went for tests. */
  paid: number;
  paidForTests: number;
  /** Whether it is over. */
  over: boolean;
}

/**
 * What a month was: tests and what they told, what changed, who came and who was lost.
 * @param month YYYY-MM, in the tank's zone
 * @param now ms
 */
export function monthReview(
  history: TankHistory,
  bands: Bands,
  month: string,
  now: number,
): MonthReview {
  const { tank, entries } = history;
  const from = dayStart(`${month}-01`, tank.zone);
  const until = dayStart(`${shiftedMonth(month, 1)}-01`, tank.zone);
  const within = <T extends { at: number }>(list: readonly T[]) =>
    list.filter(({ at }) => at >= from && at < until);
  const parameters = PARAMETER_IDS.flatMap((parameter): ParameterMonth[] => {
    const all = within(history.readings[parameter]).filter(({ counts }) => counts);
    if (all.length === 0) return [];
    const sorted = all.map(({ best }) => best).sort((a, b) => a - b);
    const band = bands[parameter];
    const stability = goesByLine(parameter, history) ? stabilityOf(all, until) : null;
    const holding = stability ? holdingOf(stability, PARAMETERS[parameter].steady) : 'steady';
    return [
      {
        parameter,
        tests: all.length,
        middle: sorted[Math.floor((sorted.length - 1) / 2)] ?? 0,
        outside: band ? all.filter(({ best }) => sideOf(best, band) !== 'within').length : null,
        stability,
        drift: holding === 'up' || holding === 'down' ? holding : null,
      },
    ];
  });
  const animals = within(entries.animals);
  const called = ({ entry }: Logged<(typeof animals)[number]['entry']>) =>
    animalsCalled(entry.what, entry.count ?? 1);
  const marks = within(entries.taskMark).filter(({ entry }) => choreOfKey(entry.task) !== null);
  const paid = within(paidFor([history]));
  const sum = (list: readonly { amount: number }[]) =>
    list.reduce((all, { amount }) => all + amount, 0);
  const changes = within(entries.waterChange);
  return {
    month,
    from,
    until,
    parameters,
    tests: parameters.reduce((all, { tests }) => all + tests, 0),
    testMinutes: parameters.reduce(
      (all, { parameter, tests }) => all + tests * PARAMETERS[parameter].minutes,
      0,
    ),
    changes: changes.length,
    changedLitres: changes.reduce((all, { entry }) => all + entry.litres, 0),
    added: animals.filter(({ entry }) => joins(entry.move)).map(called),
    lost: animals
      .filter(({ entry }) => entry.move === 'died' || entry.move === 'missing')
      .map(called),
    done: marks.filter(({ entry }) => entry.how === 'done').length,
    skipped: marks.filter(({ entry }) => entry.how === 'skipped').length,
    paid: sum(paid),
    paidForTests: sum(paid.filter(({ of }) => of === 'tests')),
    over: now >= until,
  };
}

/** The first sentence of a month: losses before drifts, drifts before readings outside, else that it was steady. */
export function monthSentence(review: MonthReview): { title: string; detail: string } {
  const { lost, added, parameters, tests, changes } = review;
  const drifting = parameters.filter(({ drift }) => drift !== null);
  const outside = parameters.filter(({ outside: count }) => (count ?? 0) > 0);
  const named = (list: readonly ParameterMonth[]) =>
    listWords(list.map(({ parameter }) => PARAMETERS[parameter].inSentence));
  const came = added.length > 0 ? `${listWords(added)} came in. ` : '';
  const detail = `${came}${countOf(tests, 'test')}, ${changes === 0 ? 'no water change' : countOf(changes, 'water change')}.`;
  if (lost.length > 0) {
    return {
      title: `${countOf(lost.length, 'loss', 'losses')} this month.`,
      detail: `${listWords(lost)}. ${detail}`,
    };
  }
  if (tests === 0 && changes === 0 && added.length === 0) {
    return { title: 'Nothing is on record.', detail: 'No test, no change, no animal was logged.' };
  }
  if (drifting.length > 0) {
    return { title: `${capital(named(drifting))} drifted.`, detail };
  }
  if (outside.length > 0) {
    return {
      title: `${capital(named(outside))} left ${outside.length === 1 ? 'its' : 'their'} band.`,
      detail,
    };
  }
  return { title: tests === 0 ? 'No test tells.' : 'A steady month.', detail };
}

function capital(text: string): string {
  // pH keeps its letters.
  return /^pH/.test(text) ? text : text.charAt(0).toUpperCase() + text.slice(1);
}
