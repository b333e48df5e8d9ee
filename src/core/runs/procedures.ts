import type { Place } from '../opens';
import type { Run } from '../records/schema/run';

/** What a step asks of the keeper. */
export type StepKind = 'check' | 'wait' | 'count';

export interface Step {
  id: string;
  kind: StepKind;
  title: string;
  /** What to do, in a sentence; may name what the run was begun with. */
  text: (run: Run) => string;
  /** Where it is done, and what the button that leads there says. */
  opens?: Place & { label: string };
}

/** Something that is gone through step by step, as data: what is kept of it is a run. */
export interface Procedure {
  name: string;
  steps: readonly Step[];
  /** Where it is begun, if that takes figures or a caution; otherwise its own page begins it. */
  begins?: Place & { label: string };
  /** What a clock of its runs is for, by the clock's id. */
  clockName: (run: Run, clock: string) => string;
  /** What one hears when a clock ends. */
  rings: (run: Run, clock: string) => string;
}

const given = (run: Run, name: string, otherwise: string): string =>
  String(run.given[name] ?? otherwise);

/** The waiting times of a sitting's tests, each a clock of its own. */
const testWait: Procedure = {
  name: 'Test waits',
  begins: { form: 'reading', label: 'Open the test' },
  steps: [
    {
      id: 'read',
      kind: 'wait',
      title: 'Wait, then read',
      text: () => 'Read each vial when its time is up, and log the sitting.',
      opens: { form: 'reading', label: 'Log the test' },
    },
  ],
  clockName: (run, clock) => given(run, clock, 'A test'),
  rings: (run, clock) => `${given(run, clock, 'A test')}: read it now`,
};

/** A challenge: the dose, the wait, the test at its end. */
const challenge: Procedure = {
  name: 'Challenge',
  begins: { screen: 'challenge', label: 'See whether it is safe' },
  steps: [
    {
      id: 'dose',
      kind: 'check',
      title: 'Dose ammonia',
      text: (run) => `Ammonia, ${given(run, 'size', 'the usual dose')}, where water moves.`,
    },
    {
      id: 'wait',
      kind: 'wait',
      title: 'Let it work',
      text: () => 'Change no water meanwhile. This page may be closed.',
    },
    {
      id: 'test',
      kind: 'check',
      title: 'Test both now',
      text: () => 'Test ammonia and nitrite. A test within two hours still counts.',
      opens: { form: 'reading', label: 'Log the test' },
    },
  ],
  clockName: () => 'Challenge',
  rings: () => 'The challenge is over: test ammonia and nitrite now',
};

/** Counting the drops of a dose. */
const drops: Procedure = {
  name: 'Counting drops',
  begins: { screen: 'dose', label: 'Work out the dose' },
  steps: [
    {
      id: 'count',
      kind: 'count',
      title: 'Count the drops',
      text: (run) => `${given(run, 'target', 'Some')} drops.`,
      opens: { screen: 'dose', label: 'Go on counting' },
    },
  ],
  clockName: () => 'Drops',
  rings: () => 'That is all of them',
};

/** Every procedure there is. */
export const PROCEDURES = { testWait, challenge, drops };

export type ProcedureId = keyof typeof PROCEDURES;

export function isProcedure(name: string): name is ProcedureId {
  return Object.hasOwn(PROCEDURES, name);
}
