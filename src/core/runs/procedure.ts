import type { CAUTIONS } from '../cautions';
import type { TankHistory } from '../history/tankHistory';
import type { Place } from '../opens';
import type { EntryBody } from '../records/kinds';
import type { Run } from '../records/schema/run';
import type { TankVolume } from '../records/schema/tank';

/** What a step asks of the keeper. */
export type StepKind = 'check' | 'wait' | 'count' | 'measure' | 'choose';

/** A number that is noted at a step. */
export interface Asked {
  label: string;
  /** What it is in; litres are shown and typed in the keeper's own unit. */
  unit: 'L' | 'ppt' | 'kg' | 'cm' | '°C' | '';
  low: number;
  high: number;
  /** Whether it is counted jug by jug. */
  byJug?: true;
  /** What stands there until something is typed. */
  usual?: (run: Run, tank: TankHistory | null) => number | undefined;
}

/** The stretches that an emergency falls into. */
export const SPAN_WORDS = {
  now: 'First five minutes',
  hour: 'Within the hour',
  day: 'Within the day',
} as const;
export type Span = keyof typeof SPAN_WORDS;

/** What makes a procedure one for an emergency: its place among them, and how it is known. */
export interface Urgency {
  order: number;
  sign: string;
}

export interface Step {
  id: string;
  kind: StepKind;
  title: string;
  /** What to do, in a sentence or two; knows what was noted in the run, and the tank it is for. */
  text: string | ((run: Run, tank: TankHistory | null) => string);
  /** Where it is done, and what the button that leads there says. */
  opens?: (Place & { label: string }) | ((run: Run) => (Place & { label: string }) | null);
  /** Of a measure. */
  asks?: Asked;
  /** Of a choice. */
  choices?: readonly { value: string; label: string; note: string }[];
  /**
   * How long, minutes: of a wait, or of a check that runs by itself meanwhile; 0 for none. The clock
   * is started by hand, and bears the step's id.
   */
  minutes?: (run: Run, tank: TankHistory | null) => number;
  /** Whether a run has this step at all; every run without it. */
  applies?: (run: Run) => boolean;
  caution?: keyof typeof CAUTIONS;
  /** Of an emergency: whether it belongs to the first five minutes, to the hour or to the day. */
  span?: Span;
  /** When the log itself shows it done, ms; null while it does not. */
  shown?: (tank: TankHistory) => number | null;
}

/** What the end of a run leaves in the log beside itself. */
export interface Outcome {
  entries: EntryBody[];
  /** What the tank's water is from then on. */
  volume?: TankVolume;
}

/** Something that is gone through step by step, as data: what is kept of it is a run. */
export interface Procedure {
  name: string;
  /** What people say when they need it, to be found by; null for what is begun from elsewhere alone. */
  also: string | null;
  steps: readonly Step[];
  /** Of an emergency, which begins without a question and is shown in large type. */
  urgent?: Urgency;
  /** Whether its steps may be gone through in any order. */
  anyOrder?: true;
  /** Where it is begun, if that takes figures or a caution; otherwise its own page begins it. */
  begins?: Place & { label: string };
  /** What a clock of its runs is for, by the clock's id. */
  clockName: (run: Run, clock: string) => string;
  /** What one hears when a clock ends. */
  rings: (run: Run, clock: string) => string;
  /** What closing it logs; and what the button then says. */
  leaves?: { label: string; of: (run: Run, tank: TankHistory) => Outcome | null };
}

export function given(run: Run, name: string, otherwise: string): string {
  return String(run.given[name] ?? otherwise);
}

/** A number that was noted at a step; undefined where none was. */
export function noted(run: Run, step: string): number | undefined {
  const value = run.steps[step]?.value;
  return typeof value === 'number' ? value : undefined;
}

/** A choice that was made at a step. */
export function chosen(run: Run, step: string): string | undefined {
  const value = run.steps[step]?.value;
  return typeof value === 'string' ? value : undefined;
}

/** What a step says to do, for a run and the tank it is for. */
export function stepText({ text }: Step, run: Run, tank: TankHistory | null): string {
  return typeof text === 'string' ? text : text(run, tank);
}

/** The steps that a run goes through. */
export function stepsOf({ steps }: Pick<Procedure, 'steps'>, run: Run): readonly Step[] {
  return steps.filter(({ applies }) => !applies || applies(run));
}

/** What the clocks of a procedure are called by its steps. */
export function clocksOfSteps(steps: readonly Step[]) {
  const title = (clock: string) => steps.find(({ id }) => id === clock)?.title ?? 'A wait';
  return {
    clockName: (_run: Run, clock: string) => title(clock),
    rings: (_run: Run, clock: string) => `${title(clock)}: the time is up`,
  };
}
