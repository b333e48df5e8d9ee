import { SALINITY_NOTE } from './notes';
import { cardRange, readingWords, type Reading } from '../history/reading';
import { latestReading, type TankHistory } from '../history/tankHistory';
import { trendOf } from '../history/trend';
import { isHeldTo, ALKALINITY_FLOOR, sideOf, type Bands } from '../parameters/bands';
import { bandWords } from '../cycle/verdict/criteria/conditions';
import { NITRITE_SPOILS_NITRATE } from '../cycle/verdict/criteria/chain';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { formatIn } from '../parameters/convert';
import { formatSignificant } from '../units/format';
import { shortDay, weekdayWords } from '../time/words';
import { DAY_MS } from '../time/zone';
import { judgeFreeAmmonia, type FreeAmmonia, type Input } from './freeAmmonia';

export type Tone = 'plain' | 'watch' | 'caution' | 'danger';

/** One thing that readings say, with the reason beneath it. */
export interface Meaning {
  id: string;
  tone: Tone;
  text: string;
  detail?: string;
  /** The readings or figures it can be opened to. */
  freeAmmonia?: FreeAmmonia;
}

/** Values older than this do not stand in for one that was not measured. */
const STANDS_IN_DAYS = 14;

/** The readings of one test session as they are being entered. */
export type TestSession = Partial<Record<ParameterId, Reading>>;

function inputOf(
  testSession: TestSession,
  history: TankHistory,
  parameter: ParameterId,
  at: number,
): Input<number> | undefined {
  const now = testSession[parameter];
  if (now?.counts) return { value: now.best, source: 'now' };
  const last = latestReading(history, parameter);
  if (last && at - last.at <= STANDS_IN_DAYS * DAY_MS) return { value: last.best, source: 'last' };
  return undefined;
}

/** "under 0.01", "0.03 to 0.08": a range of mg/L in words. */
export function rangeWords(low: number, high: number): string {
  if (low < 0.005) return `under ${formatSignificant(Math.max(high, 0.01), high < 0.1 ? 1 : 2)}`;
  return `${formatSignificant(low, 1)} to ${formatSignificant(high, high < 0.1 ? 1 : 2)}`;
}

const LEVEL_WORDS = {
  comfortable: 'comfortable',
  watch: 'worth watching with animals in',
  act: 'too much for animals',
  emergency: 'an emergency with animals in',
} as const;

const LEVEL_TONES = {
  comfortable: 'plain',
  watch: 'watch',
  act: 'caution',
  emergency: 'danger',
} as const satisfies Record<FreeAmmonia['level'], Tone>;

function freeAmmoniaMeaning(
  testSession: TestSession,
  history: TankHistory,
  at: number,
): Meaning | null {
  const tan = testSession.ammonia;
  if (!tan?.counts) return null;
  const result = judgeFreeAmmonia({
    tan: tan.range,
    ph: inputOf(testSession, history, 'ph', at),
    temperature: inputOf(testSession, history, 'temperature', at),
    salinity: inputOf(testSession, history, 'salinity', at),
  });
  return {
    id: 'freeAmmonia',
    tone: LEVEL_TONES[result.level],
    text: `Free ammonia **${rangeWords(result.range.low, result.range.high)} mg/L**, ${LEVEL_WORDS[result.level]}.`,
    detail: phNote(result),
    freeAmmonia: result,
  };
}

function phNote(result: FreeAmmonia): string | undefined {
  if (result.ph.source === 'assumed') return 'pH is not known, so 7.8 to 8.2 is assumed.';
  if (result.ph.source === 'last') return 'With the last pH that was logged.';
  return undefined;
}

function changeWords(ratio: number): string | null {
  if (ratio <= 0.1) return 'is nearly gone';
  if (ratio <= 0.6) return ratio >= 0.4 ? 'has halved' : 'has fallen by more than half';
  if (ratio >= 1.8 && ratio <= 2.5) return 'has doubled';
  if (ratio > 2.5) return 'has more than doubled';
  return null;
}

function weekdayOrDate(ms: number, at: number, zone: string): string {
  return at - ms < 6.5 * DAY_MS ? weekdayWords(ms, zone) : shortDay(ms, zone);
}

/** What moved since the reading before, for the two that a cycle is followed by. */
function changeMeaning(reading: Reading | undefined, history: TankHistory): Meaning | null {
  if (!reading?.counts) return null;
  const { parameter } = reading;
  const trend = trendOf([
    ...history.readings[parameter].filter((r) => r.counts && r.at < reading.at),
    reading,
  ]);
  const name = PARAMETERS[parameter].name;
  if (!trend) return null;
  const since = weekdayOrDate(trend.since.at, reading.at, history.tank.zone);
  if (reading.zero && !trend.since.zero) {
    return {
      id: `${parameter}Change`,
      tone: 'plain',
      text: `${name} reads zero for the first time since ${readingWords(trend.since)} on ${since}.`,
    };
  }
  const words = trend.ratio === null ? null : changeWords(trend.ratio);
  const text = words
    ? `${name} ${words} since ${since}.`
    : trend.direction === 'steady'
      ? null
      : `${name} is ${trend.direction} since ${since}.`;
  return text ? { id: `${parameter}Change`, tone: 'plain', text } : null;
}

function nitrateMeaning(
  testSession: TestSession,
  history: TankHistory,
  at: number,
): Meaning | null {
  if (!testSession.nitrate) return null;
  const nitrite = inputOf(testSession, history, 'nitrite', at);
  if (!nitrite || nitrite.value <= NITRITE_SPOILS_NITRATE) return null;
  return {
    id: 'nitrateSpoilt',
    tone: 'plain',
    text: 'Nitrate reads high while nitrite is present; it will not count yet.',
  };
}

function bandMeaning(
  reading: Reading | undefined,
  bands: Bands,
  history: TankHistory,
): Meaning | null {
  if (!reading?.counts || !isHeldTo(reading.parameter, history)) return null;
  const band = bands[reading.parameter];
  if (!band) return null;
  const side = sideOf(reading.best, band);
  if (side === 'within') return null;
  const { name } = PARAMETERS[reading.parameter];
  if (reading.parameter === 'alkalinity' && reading.best < ALKALINITY_FLOOR) {
    return {
      id: 'alkalinityFloor',
      tone: 'caution',
      text: `Alkalinity is under the floor of ${formatIn(ALKALINITY_FLOOR, reading.unit)}.`,
      detail: 'Filter bacteria slow down below it. Raise it in small steps over some days.',
    };
  }
  return {
    id: `${reading.parameter}Band`,
    tone: 'watch',
    text: `${name} is ${side} your band of ${bandWords(band, reading.unit)}.`,
    detail: BAND_NOTES[reading.parameter]?.[side],
  };
}

/** What to do, and what not, on either side of a band. */
const BAND_NOTES: Partial<Record<ParameterId, Record<'below' | 'above', string>>> = {
  ph: {
    below:
      'Mostly the breath of a closed room. To tell: bubble air through a glass of tank water outdoors for an hour; if its pH rises, it is the room. Open a window or draw the skimmer’s air from outside, and do not chase pH with buffers.',
    above: 'Look for kalk, soda ash or a strong light first. Do not chase pH with acid.',
  },
  salinity: { below: SALINITY_NOTE, above: SALINITY_NOTE },
  temperature: {
    below: 'Look at the heater and the room before changing a dial.',
    above: 'Look at the heater and the room before changing a dial.',
  },
  alkalinity: {
    below:
      'Clearing ammonium uses alkalinity: about 0.4 dKH for each ppm of nitrogen. Corals and snails use it as well.',
    above: 'Let it fall by itself: stop what raises it, and test the new salt water.',
  },
  nitrate: {
    below:
      'Corals pale and brown slime gains where nitrate is zero. Feed a little more, or export less: smaller media, a refugium lit for less. Change nothing else at once.',
    above:
      'Several smaller changes rather than one large one, less food left over, and export raised slowly.',
  },
  phosphate: {
    below:
      'Corals starve and brown slime gains where phosphate is zero. Take phosphate media out and feed a little more.',
    above:
      'Rock gives it back for weeks, so it falls slowly. Little media at a time: a sudden fall harms corals.',
  },
};

function specificGravityMeaning(reading: Reading | undefined): Meaning | null {
  if (!reading?.counts || !reading.unit.startsWith('sg')) return null;
  if (reading.best < 32.9 || reading.best > 33.6) return null;
  return {
    id: 'specificGravity',
    tone: 'plain',
    text: `That is ${formatIn(reading.best, 'ppt')}: 1.025 and 35 ppt are not the same water.`,
  };
}

/** What a top step hides: the true value may be anything above. */
function openTopMeaning(reading: Reading | undefined): Meaning | null {
  if (!reading || reading.entry.value.form !== 'card') return null;
  const { steps, low, high } = reading.entry.value;
  if (Number.isFinite(cardRange(steps, low, high).high)) return null;
  return {
    id: `${reading.parameter}Top`,
    tone: 'watch',
    text: `${PARAMETERS[reading.parameter].name} is at the card's last step, so it may be higher.`,
    detail: 'Dilute one part of tank water with one part of fresh water and log the dilution.',
  };
}

const TONE_ORDER: readonly Tone[] = ['danger', 'caution', 'watch', 'plain'];

/**
 * What the readings of a test session mean, most pressing first, as they are being entered. Text between
 * double asterisks is the figure itself.
 */
export function testSessionMeaning(
  testSession: TestSession,
  history: TankHistory,
  bands: Bands,
  at: number,
): Meaning[] {
  const found: (Meaning | null)[] = [
    freeAmmoniaMeaning(testSession, history, at),
    changeMeaning(testSession.ammonia, history),
    changeMeaning(testSession.nitrite, history),
    nitrateMeaning(testSession, history, at),
    openTopMeaning(testSession.ammonia),
    openTopMeaning(testSession.nitrite),
    specificGravityMeaning(testSession.salinity),
    ...Object.values(testSession).map((reading) =>
      reading.parameter === 'ammonia' || reading.parameter === 'nitrite'
        ? null
        : bandMeaning(reading, bands, history),
    ),
  ];
  return found
    .filter((meaning) => meaning !== null)
    .sort((a, b) => TONE_ORDER.indexOf(a.tone) - TONE_ORDER.indexOf(b.tone));
}
