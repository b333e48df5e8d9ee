import { readingWords } from '../history/reading';
import type { TankHistory } from '../history/tankHistory';
import { isAmmoniaSource } from '../records/kinds/dose';
import { GROWTH_WORDS, GROWTHS } from '../records/kinds/sighting';
import type { Forecast } from './forecast/types';
import type { Milestone, MilestoneId } from './milestone';
import { doneRuleOf } from './doneRules';
import { inquiryOf } from './doneRules/doneRule';
import { successionOf } from './succession';
import { evidence, evidenceAbove, zeroAfterLastAbove } from './verdict/evidence';
import { stillShown } from './verdict/harm';

/** First zero after the parameter was seen above zero and never above again: where it cleared. */
function clearedAt(history: TankHistory, parameter: 'ammonia' | 'nitrite') {
  const [first] = evidenceAbove(history, parameter);
  if (!first) return null;
  return zeroAfterLastAbove(evidence(history, parameter));
}

/**
 * The milestones that the log shows so far, and those ahead: what the span at zero sets, and what the
 * forecast expects, each in its range. In order of date.
 */
export function milestonesOf(
  history: TankHistory,
  at: number,
  forecast: MilestoneForecast | null = null,
): Milestone[] {
  const list: Milestone[] = [];
  const add = (id: MilestoneId, label: string, when: number, because: string, passed = true) =>
    list.push({ id, label, at: when, passed, because });

  if (history.start !== null) {
    add(
      'filled',
      history.standing.filledAt === null ? 'Log begins' : 'Filled',
      history.start,
      'From the tank’s record.',
    );
  }
  const dose = history.entries.dose.find((d) => isAmmoniaSource(d.entry.substance));
  if (dose) add('firstDose', 'First dose', dose.at, 'The first ammonia that went in.');
  const bottle = history.entries.dose.find((d) => d.entry.substance === 'bacteria');
  if (bottle) add('bottle', 'Bacteria', bottle.at, 'The first bottled bacteria.');
  const [nitrite] = evidenceAbove(history, 'nitrite');
  if (nitrite)
    add('nitriteAppears', 'Nitrite seen', nitrite.at, `It read ${readingWords(nitrite)}.`);
  for (const parameter of ['ammonia', 'nitrite'] as const) {
    const cleared = clearedAt(history, parameter);
    if (cleared) {
      add(
        parameter === 'ammonia' ? 'ammoniaClears' : 'nitriteClears',
        parameter === 'ammonia' ? 'Ammonia clear' : 'Nitrite clear',
        cleared.at,
        `It read ${readingWords(cleared)}, and has not been above since.`,
      );
    }
  }
  addGrowth(history, add);
  const own = doneRuleOf(history.tank.doneRule).milestone?.(
    inquiryOf(stillShown(history).history, at),
    history.tank.doneRule,
  );
  if (own) add(own.id, own.label, own.at, own.because, own.passed);
  if (forecast && !history.standing.runningSince) list.push(...milestonesAhead(forecast, list, at));
  const { runningSince } = history.standing;
  if (runningSince !== null) {
    add('running', 'Running', runningSince, 'As you recorded.');
  }
  return list.filter((m) => !m.passed || m.at <= at).sort((a, b) => a.at - b.at);
}

/** What the course needs of a forecast. */
export type MilestoneForecast = Pick<Forecast, 'milestones' | 'nextTest' | 'fed'>;

const AHEAD_LABELS = {
  ammoniaClears: 'Ammonia clear',
  nitriteClears: 'Nitrite clear',
  ready: 'Cycle done',
} as const;

/**
 * Milestones that no test has shown yet, in the range of their dates. One that is likely past is
 * drawn at now: only a test passes it. The hold, once it counts by tests, has its own mark. Where a dose
 * is asked for first, the end has no range: it comes after the test of that dose at the soonest.
 */
function milestonesAhead(
  forecast: MilestoneForecast,
  known: readonly Milestone[],
  at: number,
): Milestone[] {
  if (!forecast.fed) return [];
  const ahead: Milestone[] = [];
  for (const id of ['ammoniaClears', 'nitriteClears', 'ready'] as const) {
    if (known.some((m) => m.id === id)) continue;
    if (id === 'ready' && known.some((m) => m.id === 'held' || m.id === 'challenge')) continue;
    const { p10, p25, p50, p75, p90 } = forecast.milestones[id];
    if (p10 === null || p50 === null) continue;
    const { nextTest } = forecast;
    if (id === 'ready' && nextTest?.purpose === 'challenge') {
      const because = 'If a dose now is gone by then.';
      const soonest = Math.max(at, p50, nextTest.at);
      ahead.push({ id, label: AHEAD_LABELS[id], at: soonest, passed: false, because });
      continue;
    }
    const last = p90 ?? p75 ?? p50;
    ahead.push({
      id,
      label: AHEAD_LABELS[id],
      at: Math.max(at, p50),
      passed: false,
      because:
        p90 !== null && p90 <= at
          ? 'Most likely already so; a test would show it.'
          : 'Forecast from your readings; 8 in 10 within the range.',
      range: {
        low: Math.max(at, p10),
        high: Math.max(at, last),
        innerLow: Math.max(at, p25 ?? p10),
        innerHigh: Math.max(at, p75 ?? last),
      },
    });
  }
  return ahead;
}

/** Light and every growth of the ugly stage, as far as they were logged. */
function addGrowth(
  history: TankHistory,
  add: (id: MilestoneId, label: string, when: number, because: string) => void,
): void {
  const lit = history.entries.light.find((light) => light.entry.state === 'on');
  if (lit) add('light', 'Light on', lit.at, 'As you logged.');
  for (const growth of GROWTHS) {
    const first = history.entries.sighting.find(
      ({ entry }) => entry.growth === growth && entry.extent !== 'none',
    );
    // On the timeline there is room for its name, not for what else it is called.
    const name = GROWTH_WORDS[growth].name.replace(/ \(.*\)$/, '');
    if (first) add(growth, name, first.at, 'First seen, as you logged.');
  }
  const { level } = successionOf(history);
  if (level !== null) add('level', 'Growth level', level, 'No further than a week before.');
}
