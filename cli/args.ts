import { parseArgs, type ParseArgsConfig } from 'node:util';
import { parseNumber } from '../src/core';
import { CliError } from './errors';

export type Options = NonNullable<ParseArgsConfig['options']>;

/** A negative number is a value, not an option: it goes by with a true minus sign. */
function withMinus(arg: string): string {
  return /^-[\d.]/.test(arg) ? `\u2212${arg.slice(1)}` : arg;
}

/** @throws CliError for an option that is not known or lacks its value */
export function argsOf(args: string[], options: Options) {
  try {
    return parseArgs({ args: args.map(withMinus), options, allowPositionals: true });
  } catch (error) {
    const [first = 'Bad options'] = String((error as Error).message).split('. ');
    throw new CliError(first);
  }
}

export function textOption(values: Record<string, unknown>, name: string): string | undefined {
  const value = values[name];
  return typeof value === 'string' ? value : undefined;
}

/** @throws CliError for what is no number */
export function numberOption(values: Record<string, unknown>, name: string): number | undefined {
  const text = textOption(values, name);
  if (text === undefined) return undefined;
  const value = parseNumber(text);
  if (value === null) throw new CliError(`--${name} takes a number, not "${text}".`);
  return value;
}
