import * as z from 'zod';
import { isChoice, SumError, workOut, wrongWith, type Sum, type SumUnit } from '@/core/sums';
import type { Answer, TankFigure } from '@/core/sums/sum';
import type { KnownFigure } from '@/core/sums/fromTank';
import { formatExact, formatSignificant, parseNumber } from '@/core/units/format';
import { ALL_UNITS, unitSymbol, type Unit } from '@/core/units/units';

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

export interface ShownInput {
  name: string;
  label: string;
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
  /** Why there is no answer, where no single field is at fault. */
  trouble: string | null;
}

/** Reads a sum from what was typed, the tank's own figures and what is usual, in this order. */
export function readSum(
  sum: Sum,
  draft: SumDraft,
  known: Known,
  choices: Readonly<Record<string, string>> = {},
): ReadSum {
  const given: Record<string, number | string> = {};
  let missing = false;
  const inputs = Object.entries(sum.inputs).map(([name, input]): ShownInput => {
    const typed = draft[name];
    if (isChoice(input)) {
      const wanted = typed ?? (input.tank ? choices[input.tank] : undefined);
      const chosen = input.choices.find((choice) => choice === wanted) ?? input.choices[0];
      given[name] = chosen;
      return { name, label: input.label, text: chosen, unit: '', choices: input.choices };
    }
    const own = input.tank ? known[input.tank] : undefined;
    const found =
      own ?? (input.usual === undefined ? undefined : { value: input.usual, from: 'usual' });
    const text = typed ?? (found ? formatExact(found.value) : '');
    const shown = { name, label: input.label, text, unit: symbolOf(input.unit), choices: null };
    if (text.trim() === '') {
      missing = true;
      return shown;
    }
    const value = parseNumber(text);
    if (value === null) {
      missing = true;
      return { ...shown, error: `"${text}" is not a number.` };
    }
    const wrong = wrongWith(input, value);
    if (wrong !== null) {
      missing = true;
      return { ...shown, error: `It ${wrong}` };
    }
    given[name] = value;
    return typed === undefined && found ? { ...shown, hint: found.from } : shown;
  });
  if (missing) return { inputs, answer: null, trouble: null };
  try {
    return { inputs, answer: workOut(sum, given), trouble: null };
  } catch (error) {
    if (!(error instanceof SumError)) throw error;
    return { inputs, answer: null, trouble: error.message };
  }
}
