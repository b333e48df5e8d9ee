import type { Reading } from '../../history/reading';
import { readingWords } from '../../history/reading';
import { riseOf, type TankHistory } from '../../history/tankHistory';
import { entryTitle } from '../../records/kinds';
import { momentWords, shortDay } from '../../time/words';
import { DAY_MS, dayStart, daysBetween, MINUTE_MS } from '../../time/zone';
import { countOf, formatPlain } from '../../units/format';
import { NITROGEN } from './types';

/** Days without any entry after which the forecast says that it is guessing. */
const SILENCE_DAYS = 21;
/** Two doses alike within this are likely one that was saved twice, ms. */
const DOUBLED = 10 * MINUTE_MS;
/** No tank is this small, litres net. */
const TINY_LITRES = 2;

type Remarks = (history: TankHistory, at: number) => string[];

const silence: Remarks = ({ readings, entries, tank }, at) => {
  const all = [...Object.values(readings).flat(), ...entries.dose].map((entry) => entry.at);
  const last = all.reduce((a, b) => Math.max(a, b), -Infinity);
  if (!Number.isFinite(last) || at - last <= SILENCE_DAYS * DAY_MS) return [];
  return [
    `Nothing was logged in ${daysBetween(last, at, tank.zone)} days, so the forecast is little more than a guess until the next test.`,
  ];
};

const beforeFilled: Remarks = ({ readings, entries, standing }) => {
  const { filledAt } = standing;
  if (filledAt === null) return [];
  const early = [...readings.ammonia, ...readings.nitrite, ...entries.dose].some(
    (entry) => entry.at < filledAt,
  );
  return early ? ['Some entries are dated before the tank was filled. Check its day.'] : [];
};

const impossible: Remarks = ({ readings }) => {
  const number = NITROGEN.flatMap((p) => readings[p]).filter((r) => !r.counts).length;
  return number > 0 ? [`${number} of the readings cannot occur and were left out.`] : [];
};

const withoutKit: Remarks = ({ readings, kits }) => {
  const lost = NITROGEN.flatMap((p) => readings[p]).filter((r) => !kits[r.kitId]).length;
  return lost > 0
    ? [
        `The kit of ${countOf(lost, 'reading')} is not in the log; such a reading is taken as it was typed.`,
      ]
    : [];
};

const bottles: Remarks = ({ entries, tank: { zone } }) =>
  entries.dose.flatMap((dose) => {
    const madeOn = dose.entry.bottle?.madeOn;
    if (!madeOn) return [];
    const age = daysBetween(dayStart(madeOn, zone), dose.at, zone);
    const on = shortDay(dose.at, zone);
    if (age < 0) {
      return [`The bottle of ${on} is dated after the day it was used; its age is left out.`];
    }
    return age > 365
      ? [`The bottle of ${on} was ${age} days old; little in it may have been alive.`]
      : [];
  });

const unknownStrength: Remarks = (history) =>
  history.entries.dose.some(
    (dose) => dose.entry.substance === 'ammoniumChloride' && riseOf(dose, history) === null,
  )
    ? ['A dose has no strength on record and is taken as about 2 ppm.']
    : [];

/** Two readings of one minute that cannot both be right. */
function contradicts(a: Reading, b: Reading): boolean {
  return (
    a.counts &&
    b.counts &&
    Math.floor(a.at / MINUTE_MS) === Math.floor(b.at / MINUTE_MS) &&
    (a.range.high < b.range.low || b.range.high < a.range.low)
  );
}

const contradictions: Remarks = ({ readings, tank }, at) =>
  NITROGEN.flatMap((parameter) =>
    readings[parameter].flatMap((reading, n) => {
      const other = readings[parameter][n + 1];
      return other && contradicts(reading, other)
        ? [
            `Two readings of ${momentWords(reading.at, tank.zone, at)} contradict each other: ${readingWords(reading)} and ${readingWords(other)}. Both are weighed, the higher decides; remove the wrong one.`,
          ]
        : [];
    }),
  );

const doubled: Remarks = ({ entries, tank }, at) =>
  entries.dose.flatMap((dose, n) => {
    const next = entries.dose[n + 1];
    const alike =
      next &&
      next.at - dose.at <= DOUBLED &&
      next.entry.substance === dose.entry.substance &&
      JSON.stringify(next.entry.amount) === JSON.stringify(dose.entry.amount);
    return alike
      ? [
          `${entryTitle(dose.entry)} of ${momentWords(dose.at, tank.zone, at)} is logged twice alike within ten minutes. If it was one, remove the other.`,
        ]
      : [];
  });

const tinyVolume: Remarks = ({ netLitres }) =>
  netLitres < TINY_LITRES
    ? [
        `A net volume of ${formatPlain(netLitres, 2)} L is hardly a tank. Check it: every dose is sized by it.`,
      ]
    : [];

const ALL: readonly Remarks[] = [
  silence,
  beforeFilled,
  impossible,
  contradictions,
  doubled,
  withoutKit,
  tinyVolume,
  bottles,
  unknownStrength,
];

/**
 * What of a log a forecast has to doubt, in sentences.
 * @param lookedBack days that are used where not all are, else null
 */
export function remarksOf(history: TankHistory, at: number, lookedBack: number | null): string[] {
  const window =
    lookedBack === null
      ? []
      : [
          `Only the last ${lookedBack} days are used; what the filter bacteria were before them is taken as unknown.`,
        ];
  return [...window, ...ALL.flatMap((remarks) => remarks(history, at))];
}
