import { readingWords, type Reading } from '../../../history/reading';
import { latestReading, type TankHistory } from '../../../history/tankHistory';
import { ALKALINITY_FLOOR, sideOf, type Band, type Bands } from '../../../parameters/bands';
import { formatIn, fromCanonical, withUnit } from '../../../parameters/convert';
import { PARAMETERS, type ParameterId } from '../../../parameters/registry';
import { dayWords, shortDay } from '../../../time/words';
import { formatPlain } from '../../../units/format';
import type { Unit } from '../../../units/units';
import { unitDecimals } from '../../../units/units';
import { ageWords, isStale } from './zero';
import { cannotTell, met, notYet, type CriterionRule, type Finding, type Inquiry } from '../types';

/** "33–36 ppt": a band in a unit. */
export function bandWords(band: Band, unit: Unit): string {
  const decimals = unitDecimals(unit);
  const text = (value: number) => formatPlain(fromCanonical(value, unit), decimals);
  return withUnit(`${text(band.low)}–${text(band.high)}`, unit);
}

/** The newest reading of a parameter, or why it can't speak for now. */
function fresh(
  { history, at, zone }: Inquiry,
  parameter: ParameterId,
): { reading: Reading } | { finding: Finding } {
  const { inSentence } = PARAMETERS[parameter];
  const reading = latestReading(history, parameter);
  if (!reading) {
    return { finding: cannotTell(`No ${inSentence} is logged yet.`, `Measure ${inSentence}.`) };
  }
  const read = `${readingWords(reading)} on ${shortDay(reading.at, zone)}`;
  if (isStale(reading, at)) {
    return {
      finding: cannotTell(
        `Not measured in ${ageWords(reading, at, zone)}; it was ${read}.`,
        `Measure ${inSentence}.`,
        [reading.id],
      ),
    };
  }
  if (reading.expired) {
    return {
      finding: cannotTell(
        `The kit was past its date when it read ${read}.`,
        `Test ${inSentence} with a kit within its date.`,
        [reading.id],
      ),
    };
  }
  return { reading };
}

/** What every rule for done asks to be in order besides. */
const CONDITIONS = ['alkalinity', 'salinity', 'temperature'] as const;

/**
 * Conditions of which no test would speak for a moment, or of which the last one was out of order: they
 * belong to its test session.
 */
export function conditionsToTest(history: TankHistory, bands: Bands, at: number): ParameterId[] {
  return CONDITIONS.filter((parameter) => {
    const reading = latestReading(history, parameter);
    if (!reading || reading.expired || isStale(reading, at)) return true;
    if (parameter === 'alkalinity') return reading.best < ALKALINITY_FLOOR - 1e-9;
    const band = bands[parameter];
    return band !== undefined && sideOf(reading.best, band) !== 'within';
  });
}

/** A parameter within the keeper's band. */
export function inBand(parameter: 'salinity' | 'temperature', bands: Bands): CriterionRule {
  return (inquiry) => {
    const band = bands[parameter];
    const { name, inSentence } = PARAMETERS[parameter];
    if (!band) return met('No band is set for it.', []);
    const found = fresh(inquiry, parameter);
    if ('finding' in found) return found.finding;
    const { reading } = found;
    const words = bandWords(band, reading.unit);
    const read = `${readingWords(reading)} on ${shortDay(reading.at, inquiry.zone)}`;
    if (sideOf(reading.best, band) === 'within') {
      return met(`${read}; the band is ${words}.`, [reading.id]);
    }
    return notYet(
      `${name} read ${read}; the band is ${words}.`,
      `Bring ${inSentence} into ${words} slowly, then measure again.`,
      [reading.id],
    );
  };
}

/** Enough alkalinity for the filter bacteria to work: the floor, whatever the band says. */
export const alkalinityFloor: CriterionRule = (inquiry) => {
  const found = fresh(inquiry, 'alkalinity');
  if ('finding' in found) return found.finding;
  const { reading } = found;
  const floor = formatIn(ALKALINITY_FLOOR, reading.unit);
  const read = `${readingWords(reading)} on ${shortDay(reading.at, inquiry.zone)}`;
  if (reading.best >= ALKALINITY_FLOOR - 1e-9) {
    return met(`${read}; the floor is ${floor}.`, [reading.id]);
  }
  return notYet(
    `${read}, under the floor of ${floor}. The filter bacteria slow without it.`,
    'Raise alkalinity in small steps over some days, then measure again.',
    [reading.id],
  );
};

/** A fish that is new to a tank jumps: no fish without a lid. */
export const lidFitted: CriterionRule = ({ history }) =>
  history.standing.lid
    ? met('A lid or mesh is fitted.', [history.entries.lid.at(-1)?.id ?? ''])
    : notYet('No lid is on record. Every new fish jumps when stressed.', 'Fit a lid or mesh.');

/** A heater whose dial was believed has cooked tanks: it is checked against a thermometer once. */
export const heaterVerified: CriterionRule = ({ history, at, zone }) => {
  const check = history.entries.heaterCheck.at(-1);
  if (check) {
    return met(`Checked against a thermometer on ${dayWords(check.at, zone, at)}.`, [check.id]);
  }
  return notYet(
    'The heater has not been checked against a thermometer.',
    'Run it for a night, compare it with a thermometer, and note the day.',
  );
};
