import { readingWords } from '../history/reading';
import { countedReadings, latestReading, type TankHistory } from '../history/tankHistory';
import { trendOf } from '../history/trend';
import { sideOf, type Bands } from '../parameters/bands';
import { PARAMETER_IDS, PARAMETERS } from '../parameters/registry';
import { agoWords, shortDay } from '../time/words';
import { DAY_MS } from '../time/zone';
import { capitalise, formatSignificant, listWords } from '../units/format';
import { dateRangeInSentence } from './forecast/rangeWords';
import type { Forecast, ValueRange } from './forecast/types';
import { isStale } from './verdict/zero';
import type { Criterion, Verdict } from './verdict/types';

/** The first thing a screen says: a short title and the evidence in a sentence or two. */
export interface Sentence {
  title: string;
  detail: string;
}

function unmet(verdict: Verdict, role: Criterion['role']): Criterion[] {
  return verdict.criteria.filter((c) => c.role === role && c.state !== 'met');
}

/** "Nitrite reads 1 ppm NO2 and is falling." */
function readsWords(history: TankHistory, parameter: 'ammonia' | 'nitrite'): string | null {
  const reading = latestReading(history, parameter);
  if (!reading) return null;
  const trend = trendOf(countedReadings(history, parameter));
  const moving = trend && trend.direction !== 'steady' ? ` and is ${trend.direction}` : '';
  return `${PARAMETERS[parameter].name} reads ${readingWords(reading)}${moving}.`;
}

/** A quarantine tank is judged by its batch, not by its cycle. */
function quarantineSentence({ standing, tank, entries }: TankHistory): Sentence {
  const last = entries.animals.at(-1)?.entry.move;
  return standing.fishSince === null && last !== 'in' && last !== 'back'
    ? {
        title: 'Nobody in it.',
        detail: `${tank.name} waits for a batch: Quarantine says what it needs first.`,
      }
    : {
        title: 'In quarantine.',
        detail: 'The look of the day, the clear days and the ammonia stand under Quarantine.',
      };
}

/** Whether the tank may take fish, for the top of Today. */
export function todaySentence(
  history: TankHistory,
  verdict: Verdict,
  bands: Bands,
  forecast: SentenceForecast | null = null,
  at = verdict.at,
): Sentence {
  if (history.tank.kind === 'quarantine') return quarantineSentence(history);
  if (history.standing.runningSince !== null) return runningSentence(history, bands, at);
  if (history.start === null) {
    return {
      title: 'Nothing is filled yet.',
      detail: 'Build it, make its water and count it in: its course begins with the filling.',
    };
  }
  if (verdict.ready) {
    return {
      title: 'Ready for the first fish.',
      detail: `The cycle is done by your school, the lid is on and the heater is verified. Start with one or two.`,
    };
  }
  const gates = unmet(verdict, 'gate');
  if (verdict.cycled) {
    return {
      title: 'Cycled, but not ready for fish.',
      detail: gates.map((gate) => gate.settle).join(' '),
    };
  }
  const open = unmet(verdict, 'cycle');
  if (verdict.granted) return withheldSentence(verdict, 'Not ready for fish yet.');
  const title =
    history.standing.fishSince === null
      ? 'Not ready for fish yet.'
      : 'Fish are in before the cycle is done.';
  const above = open.find((c) => c.state === 'not yet' && /Zero$/.test(c.id) && c.deciding.length);
  if (above) {
    const parameter = above.id === 'ammoniaZero' ? 'ammonia' : 'nitrite';
    const ahead =
      forecast?.fed && !forecast.misfit
        ? `It should be clear **${dateRangeInSentence(forecast.milestones[`${parameter}Clears`], history.tank.zone, verdict.at)}**. `
        : '';
    return {
      title,
      detail:
        `${readsWords(history, parameter) ?? above.because} ${ahead}${secondReason(open, above)}`.trim(),
    };
  }
  if (nothingIn(history)) {
    return {
      title: 'The cycle has not begun.',
      detail:
        'Nothing that feeds a colony is logged yet, and nothing was tested. Cycle compares the ways to begin in this tank.',
    };
  }
  const zeros = open.filter((c) => c.id === 'ammoniaZero' || c.id === 'nitriteZero');
  const blind = zeros.find((c) => c.state === 'cannot tell');
  if (blind && zeros.every((c) => c.state === 'cannot tell')) {
    return { title: 'Cannot tell yet.', detail: `${blind.because} ${blind.settle ?? ''}`.trim() };
  }
  const lead = open.find((c) => c.state === 'not yet') ?? open[0];
  return {
    title,
    detail: lead ? `${lead.because} ${lead.settle ?? ''}`.trim() : '',
  };
}

/** What is said where the tests show it all and the forecast does not agree, or has not answered. */
function withheldSentence({ criteria }: Verdict, title: string): Sentence {
  const last = criteria.find((c) => c.id === 'forecastAgrees');
  if (!last) return { title, detail: '' };
  return last.state === 'cannot tell'
    ? {
        title: 'Cannot tell for a moment.',
        detail: `Tests show all that is asked. ${last.because}`,
      }
    : {
        title,
        detail: `Tests show all that is asked. ${last.because} ${last.settle ?? ''}`.trim(),
      };
}

/** Whether neither food for a colony nor a test of it is on record. */
function nothingIn({ entries, readings, standing, tank }: TankHistory): boolean {
  const { dose, organics, feed } = entries;
  const fed = dose.length + organics.length + feed.length;
  return (
    fed + readings.ammonia.length + readings.nitrite.length === 0 &&
    standing.fishSince === null &&
    tank.rock !== 'organicDryRock'
  );
}

function secondReason(open: Criterion[], first: Criterion): string {
  const next = open.find((c) => c !== first && (c.id === 'alkalinity' || c.id === 'nitriteZero'));
  return next && next.state === 'not yet' ? next.because : '';
}

/** Parameters out of the keeper's bands by a fresh reading. */
export function outOfBand(history: TankHistory, bands: Bands, at: number) {
  return PARAMETER_IDS.flatMap((parameter) => {
    const reading = latestReading(history, parameter);
    const band = bands[parameter];
    if (!reading || !band || isStale(reading, at)) return [];
    const side = sideOf(reading.best, band);
    return side === 'within' ? [] : [{ parameter, reading, side }];
  });
}

function runningSentence(history: TankHistory, bands: Bands, at: number): Sentence {
  const zone = history.tank.zone;
  for (const parameter of ['ammonia', 'nitrite'] as const) {
    const reading = latestReading(history, parameter);
    if (reading && reading.clearlyAbove && !isStale(reading, at)) {
      return {
        title: `${PARAMETERS[parameter].name} is not zero.`,
        detail: `It read ${readingWords(reading)} ${agoWords(reading.at, zone, at)}. Feed nothing today, look for a death, and test again tomorrow.`,
      };
    }
  }
  const out = outOfBand(history, bands, at);
  const first = out[0];
  if (first) {
    const words = out.map(({ parameter, reading, side }) => {
      const { inSentence } = PARAMETERS[parameter];
      return `${inSentence} ${readingWords(reading)}, ${side} its band`;
    });
    return {
      title:
        out.length === 1
          ? `${PARAMETERS[first.parameter].name} is ${first.side} its band.`
          : 'Some readings are out of band.',
      detail: `${capitalise(listWords(words))}. The rest is in band.`,
    };
  }
  const fresh = PARAMETER_IDS.map((p) => latestReading(history, p)).filter(
    (r) => r !== undefined && at - r.at <= 14 * DAY_MS,
  );
  if (fresh.length === 0) {
    return {
      title: 'No recent tests.',
      detail: 'Nothing was measured in two weeks. One sitting tells how it stands.',
    };
  }
  return {
    title: 'Steady.',
    detail: `${capitalise(listWords(fresh.map((r) => PARAMETERS[r?.parameter ?? 'ph'].inSentence)))} ${fresh.length === 1 ? 'was' : 'were'} measured in the last two weeks; nothing is out of band.`,
  };
}

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
    return `${sides} By your school it is ready **${dateRangeInSentence(milestones.ready, zone, verdict.at)}**, if tests show it.`;
  }
  return `${sides} ${clearBy(state('ammoniaZero') === 'met' ? 'nitrite' : 'ammonia')}`;
}

/** What the sentence needs of a forecast. */
export type SentenceForecast = Pick<
  Forecast,
  'milestones' | 'clears' | 'misfit' | 'fed' | 'nextTest'
>;

/** Where the cycle stands, for the top of Cycle. */
export function cycleSentence(
  history: TankHistory,
  verdict: Verdict,
  forecast: SentenceForecast | null = null,
): Sentence {
  const left = unmet(verdict, 'cycle');
  if (verdict.cycled) {
    return { title: 'The cycle is done.', detail: 'Every criterion of your school is met.' };
  }
  if (verdict.granted) return withheldSentence(verdict, 'Shown by tests, and yet not safe.');
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
