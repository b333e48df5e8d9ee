import * as z from 'zod';
import { isChoice, SumError, workOut, wrongWith, type Sum, type SumUnit } from '@/core/sums';
import type { Answer, TankFigure } from '@/core/sums/sum';
import type { KnownFigure } from '@/core/sums/fromTank';
import { formatExact, formatSignificant, parseNumber } from '@/core/units/format';
import { ALL_UNITS, unitSymbol, type Unit } from '@/core/units/units';
import { METRIC_SETTINGS, type Settings } from '@/core/records/schema/settings';
import { between, unitsOf, usualUnit } from './sumUnits';

/** What was typed or chosen, by the names of the inputs; what is not there stands as it was found. */
export const sumDraft = z.record(z.string(), z.string());
export type SumDraft = z.infer<typeof sumDraft>;

type Known = Partial<Record<TankFigure, KnownFigure>>;

const PLAIN: Partial<Record<SumUnit, string>> = { times: '', money: '' };

/** A unit of a sum as printed beside a number. */
export function symbolOf(unit: SumUnit): string {
  const own = PLAIN[unit];
  if (own !== undefined) return own;
  return (ALL_UNITS as readonly string[]).includes(unit) ? unitSymbol(unit as Unit) : unit;
}

/** "7900 g": a number of a sum, to what a jug or a scale can show. */
export function figureWords(value: number, unit: SumUnit): string {
  const digits = unit.startsWith('sg') ? 5 : 3;
  const number = formatSignificant(Number(value.toPrecision(digits)), digits);
  return `${number} ${symbolOf(unit)}`.trim();
}

/** Under what name of a draft the unit of an input is kept. */
const unitKey = (name: string) => `${name}@unit`;

/** To what a jug or a scale can show; specific gravities differ in their fifth figure. */
function rounded(value: number, unit: SumUnit): number {
  return Number(value.toPrecision(unit.startsWith('sg') ? 6 : 4));
}

/** A draft with an input in another unit; what was typed is turned into it. */
export function inUnit(draft: SumDraft, shown: ShownInput, unit: SumUnit): SumDraft {
  const next = { ...draft, [unitKey(shown.name)]: unit };
  const typed = draft[shown.name] === undefined ? null : parseNumber(draft[shown.name] ?? '');
  if (typed === null) return next;
  return {
    ...next,
    [shown.name]: formatExact(rounded(between(typed, shown.shownIn, unit), unit)),
  };
}

export interface ShownInput {
  name: string;
  label: string;
  /** The unit that it is typed and shown in. */
  shownIn: SumUnit;
  /** The one that the sum works in. */
  worksIn: SumUnit;
  /** What stands in the field. */
  text: string;
  error?: string;
  hint?: string;
  unit: string;
  choices: readonly string[] | null;
}

export interface ReadSum {
  inputs: ShownInput[];
  answer: Answer | null;
  /** The numbers that it works with, in its own units. */
  given: Readonly<Record<string, number>>;
  /** Why there is no answer, where no single field is at fault. */
  trouble: string | null;
}

/** Reads a sum from what was typed, the tank's own figures and what is usual, in this order. */
export function readSum(
  sum: Sum,
  draft: SumDraft,
  known: Known,
  choices: Readonly<Record<string, string>> = {},
  settings: Settings = METRIC_SETTINGS,
): ReadSum {
  const given: Record<string, number | string> = {};
  let missing = false;
  const inputs = Object.entries(sum.inputs).map(([name, input]): ShownInput => {
    const typed = draft[name];
    if (isChoice(input)) {
      const wanted = typed ?? (input.tank ? choices[input.tank] : undefined);
      const chosen = input.choices.find((choice) => choice === wanted) ?? input.choices[0];
      given[name] = chosen;
      const { label } = input;
      const none = { shownIn: 'times', worksIn: 'times' } as const;
      return { name, label, text: chosen, unit: '', choices: input.choices, ...none };
    }
    const own = input.tank ? known[input.tank] : undefined;
    const found =
      own ?? (input.usual === undefined ? undefined : { value: input.usual, from: 'usual' });
    const worksIn = input.unit;
    const wanted = draft[unitKey(name)];
    const shownIn =
      unitsOf(worksIn).find((unit) => unit === wanted) ?? usualUnit(worksIn, settings);
    const inShown = (number: number) =>
      shownIn === worksIn ? number : rounded(between(number, worksIn, shownIn), shownIn);
    const text = typed ?? (found ? formatExact(inShown(found.value)) : '');
    const shown = {
      name,
      label: input.label,
      text,
      unit: symbolOf(shownIn),
      choices: null,
      shownIn,
      worksIn,
    };
    if (text.trim() === '') {
      missing = true;
      return shown;
    }
    const value = parseNumber(text);
    if (value === null) {
      missing = true;
      return { ...shown, error: `"${text}" is not a number.` };
    }
    const bounds = { low: inShown(input.low), high: inShown(input.high) };
    const wrong = wrongWith({ ...input, ...bounds, unit: shownIn }, value);
    if (wrong !== null) {
      missing = true;
      return { ...shown, error: `It ${wrong}` };
    }
    given[name] = between(value, shownIn, worksIn);
    return typed === undefined && found ? { ...shown, hint: found.from } : shown;
  });
  const numbers = Object.fromEntries(
    Object.entries(given).flatMap(([name, value]) =>
      typeof value === 'number' ? [[name, value] as const] : [],
    ),
  );
  if (missing) return { inputs, answer: null, given: numbers, trouble: null };
  try {
    return { inputs, answer: workOut(sum, given), given: numbers, trouble: null };
  } catch (error) {
    if (!(error instanceof SumError)) throw error;
    return { inputs, answer: null, given: numbers, trouble: error.message };
  }
}
