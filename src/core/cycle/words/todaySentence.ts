import { readingWords } from '../../history/reading';
import { countedReadings, latestReading, type TankHistory } from '../../history/tankHistory';
import { trendOf } from '../../history/trend';
import { isHeldTo, sideOf, type Bands } from '../../parameters/bands';
import { PARAMETER_IDS, PARAMETERS } from '../../parameters/registry';
import { agoWords } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import { capitalise, listWords } from '../../units/format';
import { dateRangeInSentence } from '../forecast/dates/rangeWords';
import { keptReadyWords, watchSentence, wordSentence } from './wordSentence';
import { unmet, withheldSentence, type Sentence, type SentenceForecast } from './sentence';
import { isStale } from '../verdict/criteria/zero';
import type { Criterion, Verdict } from '../verdict/types';

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

/** With an animal in and neither read above zero. */
const WATCHED =
  'Feed as usual, and test ammonia and nitrite on three days running. No ammonia goes in: what the animal makes is the measure.';

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
      detail: 'Build it, make its water and count it in: its timeline begins with the filling.',
    };
  }
  if (verdict.ready) {
    return {
      title: `Ready for ${verdict.readyFor ?? 'one small fish'}.`,
      detail:
        `The cycle is done by your rule for done, the lid is on and the heater is verified. ${keptReadyWords(history)} ${verdict.lasts}`.trim(),
    };
  }
  const gates = unmet(verdict, 'gate');
  const notYet =
    verdict.word === 'watch'
      ? 'Watch: an animal is in before the cycle is done.'
      : 'Not yet ready for fish.';
  if (verdict.cycled) {
    return {
      title: 'Cycled, but not ready for fish.',
      detail: gates.map((gate) => gate.settle).join(' '),
    };
  }
  const open = unmet(verdict, 'cycle');
  const word = wordSentence(history, verdict, at);
  if (word) return word;
  if (verdict.granted) return withheldSentence(verdict, notYet);
  const title = notYet;
  if (verdict.word === 'watch') {
    return { title, detail: watchSentence(history, at)?.detail ?? WATCHED };
  }
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
        'Nothing that feeds filter bacteria is logged yet, and nothing was tested. Cycle compares the ways to begin in this tank.',
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

/** Whether neither food for filter bacteria nor a test of it is on record. */
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
    if (!reading || !band || isStale(reading, at) || !isHeldTo(parameter, history)) return [];
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
      detail: 'Nothing was measured in two weeks. One test session tells how it stands.',
    };
  }
  return {
    title: 'Steady.',
    detail: `${capitalise(listWords(fresh.map((r) => PARAMETERS[r?.parameter ?? 'ph'].inSentence)))} ${fresh.length === 1 ? 'was' : 'were'} measured in the last two weeks; nothing is out of band.`,
  };
}
