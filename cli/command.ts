import { readFlags, type Flags, type Given } from './flags';

/** A command, as the table of commands holds it. */
export interface Command {
  /** How it is called, and what it answers: a line of the help. */
  usage: string;
  does: string;
  /** Its flags, by name. */
  flags: Flags;
  /** What it prints. @throws CliError for anything the person can mend */
  call: (args: readonly string[], now: number) => string;
}

/** A command whose flags are read by their types; what it gives is printed as JSON, a text as it is. */
export function defineCommand<F extends Flags>({
  usage,
  does,
  flags,
  run,
}: {
  usage: string;
  does: string;
  flags: F;
  run: (given: Given<F>, now: number) => unknown;
}): Command {
  return {
    usage,
    does,
    flags,
    call: (args, now) => {
      const result = run(readFlags(args, flags), now);
      return typeof result === 'string' ? result : JSON.stringify(result, null, 2);
    },
  };
}
