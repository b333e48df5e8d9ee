import type { Unit } from '../units/units';

/** What a number of a sum is in: a unit of a quantity, or one that only sums use. */
export type SumUnit =
  | Unit
  | '%'
  | 'days'
  | 'h'
  | 'min'
  | 'min/L'
  | 'L/h'
  | 'L/day'
  | 'g/L'
  | 'g/mL'
  | 'W'
  | 'm²'
  | 'kg/m²'
  | 'mg/L'
  | 'dKH/day'
  | 'mg/L/day'
  | 'mL/day'
  | 'packs'
  | 'blocks'
  | 'changes'
  | 'money'
  | 'times'
  | 'times/h';

/** What the log of a tank may know of an input. */
export type TankFigure =
  | 'litres'
  | 'length'
  | 'width'
  | 'height'
  | 'rock'
  | 'salinity'
  | 'temperature'
  | 'ph'
  | 'alkalinity'
  | 'calcium'
  | 'magnesium'
  | 'nitrate'
  | 'phosphate'
  | LearnedFigure;

/** What a log has taught of the keeper's own salt, cups, drops, purifier and evaporation. */
export type LearnedFigure =
  | 'saltYield'
  | 'saltCup'
  | 'drop'
  | 'minutesPerLitre'
  | 'waste'
  | 'evaporation';

/** A number that a sum asks for, within its bounds; `usual` stands where it is not given. */
export interface NumberInput {
  label: string;
  unit: SumUnit;
  low: number;
  high: number;
  usual?: number;
  /** What of a tank's log stands there when a keeper opens the sum. */
  tank?: TankFigure;
}

/** One of a few words that a sum asks for; the first stands where it is not given. */
export interface ChoiceInput {
  label: string;
  choices: readonly [string, ...string[]];
  /** What of a tank’s log is chosen when a keeper opens the sum. */
  tank?: 'living';
}

export type SumInput = NumberInput | ChoiceInput;
export type SumInputs = Readonly<Record<string, SumInput>>;

export function isChoice(input: SumInput): input is ChoiceInput {
  return 'choices' in input;
}

export type ValuesOf<I extends SumInputs> = {
  [K in keyof I]: I[K] extends { choices: readonly (infer C)[] } ? C : number;
};

/** A number beside the answer. */
export interface Also {
  label: string;
  value: number;
  unit: SumUnit;
}

/** What a picture says faster than a sentence. */
export type Sketch =
  /** Values along one line: what is mixed with what. */
  | { kind: 'line'; unit: SumUnit; marks: { at: number; label: string }[] }
  /** A vessel with levels in it, as shares of its height from the floor. */
  | { kind: 'levels'; levels: { share: number; label: string }[] }
  /** How a figure goes, step by step, and the goal it goes to. */
  | {
      kind: 'curve';
      unit: SumUnit;
      points: readonly (readonly [x: number, y: number])[];
      over: string;
      goal?: number;
    };

export interface Answer {
  answer: number;
  unit: SumUnit;
  /** The answer as one would say it. */
  sentence: string;
  /** How it comes about, a step a line. */
  working: string[];
  also?: Also[];
  /** What to mind before doing it. */
  cautions?: string[];
  sketch?: Sketch;
}

export interface Sum {
  id: string;
  title: string;
  /** The question that it answers. */
  asks: string;
  inputs: SumInputs;
  solve: (values: Readonly<Record<string, number | string>>) => Answer;
}

/** Something that a person can mend about what was put into a sum. */
export class SumError extends Error {}

/** A sum whose inputs give its values their types. */
export function defineSum<const I extends SumInputs>(
  sum: Omit<Sum, 'inputs' | 'solve'> & { inputs: I; solve: (values: ValuesOf<I>) => Answer },
): Sum {
  return { ...sum, solve: (values) => sum.solve(values as ValuesOf<I>) };
}

/** What reads like a specific gravity typed where ppt is asked for. */
const LIKE_GRAVITY = { low: 0.98, high: 1.06 };

/** What is wrong with a number for an input, in words that follow its name; null where nothing is. */
export function wrongWith({ low, high, unit }: NumberInput, value: number): string | null {
  if (value < low || value > high) {
    return `must lie between ${low} and ${high} ${unit}; ${value} does not.`;
  }
  if (unit === 'ppt' && value >= LIKE_GRAVITY.low && value <= LIKE_GRAVITY.high) {
    return `is asked for in ppt, and ${value} reads like a specific gravity: 1.0264 at 25 °C is 35 ppt.`;
  }
  return null;
}

function valueOf(name: string, input: SumInput, given: number | string | undefined) {
  if (isChoice(input)) {
    const value = given ?? input.choices[0];
    if (input.choices.some((choice) => choice === value)) return value;
    throw new SumError(
      `${name} is one of ${input.choices.join(', ')}; "${value}" is none of them.`,
    );
  }
  const value = given ?? input.usual;
  if (value === undefined)
    throw new SumError(`${name} is missing: ${input.label}, in ${input.unit}.`);
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    throw new SumError(`${name} takes a number, not "${value}".`);
  }
  const wrong = wrongWith(input, value);
  if (wrong !== null) throw new SumError(`${name} ${wrong}`);
  return value;
}

/**
 * Works a sum out.
 * @param given by the names of its inputs, in their units
 * @throws SumError in words for what is missing, unknown, out of bounds or cannot be
 */
export function workOut(
  sum: Sum,
  given: Readonly<Record<string, number | string | undefined>>,
): Answer {
  const unknown = Object.keys(given).find((name) => !(name in sum.inputs));
  if (unknown !== undefined) {
    throw new SumError(
      `${sum.id} does not ask for ${unknown}. It asks for ${Object.keys(sum.inputs).join(', ')}.`,
    );
  }
  const values = Object.fromEntries(
    Object.entries(sum.inputs).map(([name, input]) => [name, valueOf(name, input, given[name])]),
  );
  const answer = sum.solve(values);
  if ([answer.answer, ...(answer.also ?? []).map((a) => a.value)].every(Number.isFinite)) {
    return answer;
  }
  throw new SumError(`${sum.title} has no answer for these figures.`);
}
