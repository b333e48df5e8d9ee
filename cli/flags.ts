import { parseArgs } from 'node:util';
import { instant, isKnownZone, parseNumber } from '../src/core';
import { DAY_MS } from '../src/core/time/zone';
import { CliError } from './errors';

/** A flag: what is made of its text, or `null` for one that takes none. */
export interface Flag<T> {
  /** Reads what follows it. @throws CliError for what it does not take */
  read: ((text: string, name: string) => T) | null;
}

/** Room on both sides of a moment for all that is reckoned from it: a year of tasks, a past of decades, ms. */
const ROOM = 40_000 * DAY_MS;
const EARLIEST = Date.UTC(1970, 0, 1);
const LATEST = EARLIEST + 2 * ROOM;

const tooLong = 10_000;

/** Any text. */
export const text: Flag<string> = {
  read: (value, name) => {
    if (value.trim() === '') throw new CliError(`--${name} is empty.`);
    if (value.length > tooLong) throw new CliError(`--${name} is longer than ${tooLong} letters.`);
    return value;
  },
};

/** A number between two ends, both allowed. */
export const number = (low: number, high: number): Flag<number> => ({
  read: (value, name) => {
    const read = parseNumber(value);
    if (read === null || !Number.isFinite(read)) {
      throw new CliError(`--${name} takes a number, not "${value}".`);
    }
    if (read < low || read > high) {
      throw new CliError(`--${name} must lie between ${low} and ${high}; ${read} does not.`);
    }
    return read;
  },
});

/** A whole number between two ends, both allowed. */
export const whole = (low: number, high: number): Flag<number> => ({
  read: (value, name) => {
    const read = number(-Infinity, Infinity).read?.(value, name) ?? NaN;
    if (!Number.isInteger(read) || read < low || read > high) {
      throw new CliError(`--${name} takes a whole number from ${low} to ${high}, not ${value}.`);
    }
    return read;
  },
});

/** One of some words. */
export const oneOf = <T extends string>(words: readonly T[]): Flag<T> => ({
  read: (value, name) => {
    const found = words.find((word) => word === value);
    if (!found) throw new CliError(`--${name} takes ${words.join(', ')}, not "${value}".`);
    return found;
  },
});

/** A moment, in ms. */
export const moment: Flag<number> = {
  read: (value, name) => {
    const at = /^\d{4}-\d{2}-\d{2}(T|$)/.test(value) ? instant(value) : NaN;
    if (Number.isNaN(at)) {
      throw new CliError(`--${name} takes a date such as 2026-11-23T18:00:00Z, not "${value}".`);
    }
    if (at < EARLIEST || at > LATEST) {
      const year = (ms: number) => new Date(ms).toISOString().slice(0, 4);
      throw new CliError(
        `--${name} takes a date between ${year(EARLIEST)} and ${year(LATEST)}, not "${value}".`,
      );
    }
    return at;
  },
};

/** A time zone by its IANA name. */
export const zone: Flag<string> = {
  read: (value, name) => {
    if (!isKnownZone(value)) {
      throw new CliError(`--${name} takes a time zone such as Europe/Berlin, not "${value}".`);
    }
    return value;
  },
};

/** Of a command about a tank: which, and as of when. */
export const ofTank = { tank: text, at: moment };

/** Said or not, without a value. */
export const said: Flag<true> = { read: null };

export type Flags = Readonly<Record<string, Flag<unknown>>>;
export type Values<F extends Flags> = {
  [K in keyof F]?: F[K] extends Flag<infer T> ? T : never;
};

export interface Given<F extends Flags> {
  values: Values<F>;
  positionals: string[];
}

/** A negative number is a value, not an option: it goes by with a true minus sign. */
function withMinus(arg: string): string {
  return /^-[\d.]/.test(arg) ? `\u2212${arg.slice(1)}` : arg;
}

/**
 * The one reader of what follows a command: each flag by its own type, the rest in order.
 * @throws CliError for a flag that is not known, lacks its value, or holds what it does not take
 */
export function readFlags<F extends Flags>(args: readonly string[], flags: F): Given<F> {
  const options = Object.fromEntries(
    Object.entries(flags).map(([name, { read }]) => [
      name,
      { type: read ? ('string' as const) : ('boolean' as const) },
    ]),
  );
  const { values, positionals } = (() => {
    try {
      return parseArgs({ args: args.map(withMinus), options, allowPositionals: true });
    } catch (error) {
      const [first = 'Bad options'] = String((error as Error).message).split('. ');
      throw new CliError(first);
    }
  })();
  const read = Object.entries(values).map(([name, value]) => {
    const flag = flags[name];
    return [name, flag?.read ? flag.read(String(value), name) : value];
  });
  return { values: Object.fromEntries(read) as Values<F>, positionals };
}

/** The value of a flag that a command cannot do without. */
export function needed<T>(value: T | undefined, name: string, example = ''): T {
  if (value === undefined) {
    throw new CliError(`--${name} is missing${example === '' ? '' : `, such as ${example}`}.`);
  }
  return value;
}
