import { fromCanonical, withUnit } from '../parameters/convert';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { parameterIn, measureIn, scaled, type Measure } from '../sheets/read/names';
import { numberIn } from '../sheets/read/number';
import { measureOptions } from '../sheets/guess/measure';
import { daySchema } from '../records/common';
import { atTimeOn, HOUR_MS } from '../time/zone';
import { formatPlain, formatSignificant } from '../units/format';
import type { Unit } from '../units/units';
import { slipSchema } from './slipSchema';
import { jsonOf } from '../records/file/json';

/** A line of a slip as it stands there. */
export interface SlipLine {
  what: string;
  value: string;
  unit: string;
}

/** What is told of a slip: its lines, and the hours if it has them. */
export interface ReadSlip {
  lines: SlipLine[];
  drawnAt: number | null;
  testedAt: number | null;
}

const HEADINGS = /^(test|what|parameter|result|value|unit|units|drawn|tested)\b/i;

/** A line that somebody typed: "nitrate 5 mg/L NO3", "NO2: 0.1", "ammonia fine". */
function typedLine(text: string): SlipLine | null {
  const figure = /^\s*(.*[^\s:=<>])[\s:=]+([<>]?\s*\d[\d.,]*)\s*(\S.*)?$/.exec(text);
  const word = /^\s*(.*[^\s:=])[\s:=]+([a-z]+)\s*$/i.exec(text);
  const [, what, value, unit = ''] = figure ?? word ?? [];
  return what === undefined || value === undefined ? null : { what, value, unit: unit.trim() };
}

function moment(text: string | undefined): number | null {
  const found = /^\s*(\d{4}-\d\d-\d\d)[ T](\d\d):(\d\d)/.exec(text ?? '');
  const [, day, hours, minutes] = found ?? [];
  if (day === undefined || !daySchema.safeParse(day).success) return null;
  return atTimeOn(day, Number(hours), Number(minutes), 'UTC');
}

/**
 * Reads a slip: as a counter sends it, as a spreadsheet, or typed a line for each figure.
 * @param rows cells of the text, where it is a spreadsheet
 */
export function readSlip(text: string, rows: readonly (readonly string[])[]): ReadSlip {
  const sent = slipSchema.safeParse(jsonOf(text));
  if (sent.success) {
    const { lines, drawnAt, testedAt } = sent.data;
    return { lines, drawnAt, testedAt };
  }
  const [head] = rows;
  const named = head?.map((cell) => cell.trim().toLowerCase()) ?? [];
  if (head && named.filter((cell) => HEADINGS.test(cell)).length >= 2) {
    const at = (row: readonly string[], name: RegExp) =>
      row[named.findIndex((one) => name.test(one))];
    const lines = rows.slice(1).flatMap((row): SlipLine[] => {
      const what = at(row, /^(test|what|parameter)/)?.trim() ?? '';
      const value = at(row, /^(result|value)/)?.trim() ?? '';
      return what === '' || value === ''
        ? []
        : [{ what, value, unit: at(row, /^unit/)?.trim() ?? '' }];
    });
    const first = rows[1] ?? [];
    return { lines, drawnAt: moment(at(first, /^drawn/)), testedAt: moment(at(first, /^tested/)) };
  }
  const lines = text.split(/\r?\n/).flatMap((line) => typedLine(line) ?? []);
  return { lines, drawnAt: null, testedAt: null };
}

/** Hours in a bottle after which ammonia is no longer what it was. */
const FRESH_HOURS = 4;
/** How far a shop's figure may be off where it names no kit, as a share, and the least of it in canonical units. */
const OFF: Readonly<Record<ParameterId, { share: number; least: number }>> = {
  ammonia: { share: 0.3, least: 0.25 },
  freeAmmonia: { share: 0.5, least: 0.02 },
  nitrite: { share: 0.3, least: 0.15 },
  nitrate: { share: 0.3, least: 1 },
  ph: { share: 0, least: 0.2 },
  alkalinity: { share: 0.1, least: 0.2 },
  salinity: { share: 0, least: 1 },
  temperature: { share: 0, least: 1 },
  phosphate: { share: 0.3, least: 0.04 },
  calcium: { share: 0.1, least: 20 },
  magnesium: { share: 0.1, least: 60 },
};
/** What a drive changes: it is never kept of a slip. */
const ON_THE_WAY: Partial<Record<ParameterId, string>> = {
  ph: 'Carbon dioxide leaves a bottle on the way: pH is measured at the tank.',
  temperature: 'The bottle took on the temperature of the car and the shop.',
};

/** What is made of a line. */
export interface Judged {
  line: SlipLine;
  parameter: ParameterId | null;
  /** The figure in its unit; null where there is none. */
  value: number | null;
  unit: Unit | null;
  /** ± in its unit, as far as a shop's figure can be relied on. */
  accuracy: number;
  /** Least and most that it may stand for in its unit, where the way widened it. */
  spread: { minutes: number; low: number; high: number } | null;
  kept: boolean;
  /** Why it is not kept, or what has to be known of it; empty where nothing has. */
  why: string;
}

/** What measure a line is in: what it says, what the keeper chose, or the usual one. */
function measureOf(
  parameter: ParameterId,
  { what, unit }: SlipLine,
  chosen: Measure | undefined,
): { measure: Measure; said: boolean } {
  const said = measureIn(parameter, `${what} ${unit}`);
  const [usual] = measureOptions(parameter);
  if (!usual) throw new RangeError('Every parameter has a usual unit.');
  return { measure: chosen ?? said ?? usual.measure, said: said !== null || chosen !== undefined };
}

/** Parameters for which the unit says more than a scale: nitrogen or the whole ion. */
const isPlain = (parameter: ParameterId) => measureOptions(parameter).length === 1;

/**
 * What of a slip is kept, and what is not. Advice is not taken in: only figures are.
 * @param hours between the drawing of the water and its test
 * @param chosen units that the keeper named, by line
 */
export function judgeSlip(
  lines: readonly SlipLine[],
  hours: number,
  chosen: Readonly<Record<number, Measure>> = {},
): Judged[] {
  return lines.map((line, n): Judged => {
    const parameter = parameterIn(line.what);
    const nothing = {
      line,
      parameter,
      value: null,
      unit: null,
      accuracy: 0,
      spread: null,
      kept: false,
    };
    if (parameter === null) return { ...nothing, why: 'Nothing that a log keeps.' };
    const changed = ON_THE_WAY[parameter];
    if (changed !== undefined) return { ...nothing, why: changed };
    const number = numberIn(line.value.replace(/^[<>]\s*/, ''), '.');
    if (number === null || number < 0)
      return {
        ...nothing,
        why: `“${line.value}” is no figure: it decides nothing. Ask them for the number.`,
      };
    const { measure, said } = measureOf(parameter, line, chosen[n]);
    const figure = scaled(number, measure.scaling);
    // "<5" is anything from nothing to five, and is kept as the middle of that.
    const [sign] = /^[<>]/.exec(line.value) ?? [];
    const value = sign === '<' ? figure / 2 : figure;
    const { share, least } = OFF[parameter];
    const factor = fromCanonical(1, measure.unit) - fromCanonical(0, measure.unit);
    const accuracy = Number(Math.max(value * share, least * Math.abs(factor)).toPrecision(2));
    const old = parameter === 'ammonia' && hours > FRESH_HOURS;
    const spread = old
      ? {
          minutes: Math.min(1440, Math.round(hours * 60)),
          low: 0,
          high: Number((value * 2 + accuracy).toPrecision(3)),
        }
      : sign === '<'
        ? { minutes: 1, low: 0, high: figure }
        : sign === '>'
          ? { minutes: 1, low: figure, high: figure * 2 }
          : null;
    const why = [
      sign === '<' ? `Under ${formatPlain(figure)}: kept as anything from nothing to that.` : '',
      sign === '>' ? `Over ${formatPlain(figure)}: it may be twice as much.` : '',
      said || isPlain(parameter)
        ? ''
        : `No unit on the slip: read as ${withUnit(formatPlain(value), measure.unit)}.`,
      old ? `${Math.round(hours)} hours in a bottle: it may have been far more or less.` : '',
      number === 0 ? 'A zero without its kit says little, and decides nothing.' : '',
    ].filter(Boolean);
    return {
      line,
      parameter,
      value,
      unit: measure.unit,
      accuracy,
      spread,
      kept: true,
      why: why.join(' '),
    };
  });
}

/** Days within which a shop's figure and one's own are of the same water, near enough. */
export const BESIDE_MS = 72 * HOUR_MS;

/**
 * A shop's figure beside one's own of about the same time: "The shop reads nitrate 2.2 times yours."
 * @param shop canonical
 * @param own canonical
 * @param allowed how far both may be off together, canonical
 */
export function besideWords(
  parameter: ParameterId,
  shop: number,
  own: number,
  allowed: number,
): string {
  const { inSentence, canonicalUnit, shownUnit, zeroBased } = PARAMETERS[parameter];
  if (Math.abs(shop - own) <= allowed) return `The shop’s ${inSentence} agrees with yours.`;
  if (zeroBased && own > 0 && shop > 0)
    return `The shop reads ${inSentence} ${formatSignificant(shop / own)} times yours.`;
  const unit = shownUnit === canonicalUnit ? canonicalUnit : shownUnit;
  const apart = Math.abs(fromCanonical(shop, unit) - fromCanonical(own, unit));
  return `The shop reads ${inSentence} ${withUnit(formatSignificant(apart), unit)} ${shop > own ? 'above' : 'below'} yours.`;
}
