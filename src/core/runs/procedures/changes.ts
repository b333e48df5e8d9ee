import type { Run } from '../../records/schema/run';

/** A run with a step done, and what was noted at it. */
export function withStep(run: Run, step: string, at: string, value?: string | number): Run {
  const done = value === undefined ? { at } : { at, value };
  return { ...run, steps: { ...run.steps, [step]: done } };
}

/** A run with a clock started, and what it is called. */
export function withClock(run: Run, clock: string, ends: string, name?: string): Run {
  return {
    ...run,
    clocks: { ...run.clocks, [clock]: ends },
    given: name === undefined ? run.given : { ...run.given, [clock]: name },
  };
}

/** A run that is over. */
export function ended(run: Run, at: string, how: 'done' | 'stopped'): Run {
  return { ...run, ended: { at, how } };
}
