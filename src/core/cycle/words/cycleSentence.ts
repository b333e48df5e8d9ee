import { readingWords } from '../../history/reading';
import { countedReadings, latestReading, type TankHistory } from '../../history/tankHistory';
import { trendOf } from '../../history/trend';
import { PARAMETERS } from '../../parameters/registry';
import { shortDay } from '../../time/words';
import { capitalise, formatSignificant, listWords } from '../../units/format';
import { dateRangeInSentence } from '../forecast/dates/rangeWords';
import type { ValueRange } from '../forecast/types';
import { watchSentence, wordSentence } from './wordSentence';
import { unmet, withheldSentence, type Sentence, type SentenceForecast } from './sentence';
import type { Criterion, Verdict } from '../verdict/types';

/** "1.9 ppm N of ammonia a day (1.5–2.4)": a capacity with its spread, mg N per litre. */
export function capacityWords({ p10, p50, p90 }: ValueRange, what: string): string {
  if (p90 < 0.05) return `next to no ${what} yet`;
  const text = (value: number) => (value < 0.05 ? '0' : formatSignificant(value, 2));
  const middle = p50 < 0.05 ? 'less than 0.05' : text(p50);
  return `**${middle} ppm N** of ${what} a day (${text(p10)}–${text(p90)})`;
}

/** What the forecast says of a tank in its cycle: what it clears, and when the rest is clear. */
function forecastDetail(
  history: TankHistory,
  verdict: Verdict,
  forecast: SentenceForecast,
): string {
  const { zone } = history.tank;
  if (forecast.misfit) {
    return 'Nothing that is known of such tanks explains the readings together, so the dates below are held very wide. Test once more with fresh reagents.';
  }
  const state = (id: Criterion['id']) => verdict.criteria.find((c) => c.id === id)?.state;
  const { milestones, clears, nextTest } = forecast;
  const clearBy = (id: 'ammonia' | 'nitrite') =>
    `${id === 'ammonia' ? 'Ammonia' : 'Nitrite'} should be clear **${dateRangeInSentence(milestones[`${id}Clears`], zone, verdict.at)}**.`;
  if (state('ammoniaZero') !== 'met' && state('nitriteSeen') !== 'met') {
    return `It clears ${capacityWords(clears.ammonia, 'ammonia')}. ${clearBy('ammonia')} ${clearBy('nitrite')}`;
  }
  const sides = `This tank clears ${capacityWords(clears.ammonia, 'ammonia')}, and ${capacityWords(clears.nitrite, 'nitrite')}.`;
  if (nextTest?.purpose === 'challenge') {
    return `${sides} ${nextTest.because} That is **${shortDay(nextTest.at, zone)}**.`;
  }
  if (state('nitriteZero') === 'met' && state('ammoniaZero') === 'met') {
    return `${sides} By your rule for done the tank is ready **${dateRangeInSentence(milestones.ready, zone, verdict.at)}**, if tests show it.`;
  }
  return `${sides} ${clearBy(state('ammoniaZero') === 'met' ? 'nitrite' : 'ammonia')}`;
}

/** Where the cycle stands, for the top of Cycle. */
export function cycleSentence(
  history: TankHistory,
  verdict: Verdict,
  forecast: SentenceForecast | null = null,
): Sentence {
  const left = unmet(verdict, 'cycle');
  if (verdict.cycled) {
    return {
      title: 'The cycle is done.',
      detail: verdict.ready
        ? `Every criterion of your rule for done is met: ready for ${verdict.readyFor ?? 'one small fish'}. ${verdict.lasts}`.trim()
        : `Every criterion of your rule for done is met. Before the first fish: ${unmet(
            verdict,
            'gate',
          )
            .map((gate) => gate.settle)
            .join(' ')}`,
    };
  }
  const word = wordSentence(history, verdict, verdict.at);
  if (word) return word;
  if (verdict.granted) return withheldSentence(verdict, 'Shown by tests, and yet not safe.');
  const watched = watchSentence(history, verdict.at);
  if (watched) return watched;
  if (forecast?.fed && history.start !== null) {
    return {
      title: cycleTitle(history, verdict),
      detail: forecastDetail(history, verdict, forecast),
    };
  }
  const ammonia = latestReading(history, 'ammonia');
  const nitrite = latestReading(history, 'nitrite');
  const reads = listWords(
    [ammonia, nitrite].flatMap((r) =>
      r ? [`${PARAMETERS[r.parameter].inSentence} ${readingWords(r)}`] : [],
    ),
  );
  const blind = left.filter((c) => c.state === 'cannot tell').length;
  const detail = [
    reads === '' ? '' : `${capitalise(reads)}.`,
    `${left.length} of ${verdict.criteria.filter((c) => c.role === 'cycle').length} criteria are open${blind > 0 ? `, ${blind} of them for want of a test` : ''}.`,
  ]
    .filter(Boolean)
    .join(' ');
  return { title: cycleTitle(history, verdict), detail };
}

function cycleTitle(history: TankHistory, verdict: Verdict): string {
  const state = (id: Criterion['id']) => verdict.criteria.find((c) => c.id === id)?.state;
  const nitrite = trendOf(countedReadings(history, 'nitrite'));
  const ammonia = trendOf(countedReadings(history, 'ammonia'));
  if (history.readings.ammonia.length + history.readings.nitrite.length === 0) {
    return history.entries.dose.length > 0 ? 'Dosed, not yet tested.' : 'The cycle has not begun.';
  }
  if (state('ammoniaZero') === 'met' && state('nitriteZero') === 'met') {
    return state('nitriteSeen') === 'met' ? 'Both read zero.' : 'Zero, but not yet shown.';
  }
  if (nitrite?.direction === 'falling') return 'Nitrite is turning.';
  if (state('nitriteSeen') === 'met' && state('nitriteZero') !== 'met') {
    return state('ammoniaZero') === 'met' ? 'Nitrite is left to clear.' : 'Nitrite has appeared.';
  }
  if (ammonia?.direction === 'falling') return 'Ammonia is falling.';
  return 'Waiting for ammonia to fall.';
}
