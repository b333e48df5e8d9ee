import { isChoice, SUMS, SumError, workOut, type Sum, type SumInput } from '../src/core/sums';
import { defineCommand, type Command } from './command';
import { CliError } from './errors';
import { number, oneOf, readFlags, said, type Flag } from './flags';

/** "labelAmount" as it is typed: "label-amount". */
const optionName = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

function inputWords(name: string, input: SumInput): string {
  const option = `--${optionName(name)}`;
  if (isChoice(input)) return `[${option} ${input.choices.join('|')}]`;
  return input.usual === undefined
    ? `${option} ${input.unit}`
    : `[${option} ${input.unit}=${input.usual}]`;
}

function lineOf({ id, asks, inputs }: Sum): string {
  const words = Object.entries(inputs).map(([name, input]) => inputWords(name, input));
  return `${id}  ${words.join(' ')}  ${asks}`;
}

/** A number of a sum is held to the sum's own ends, which say what they are of. */
const flagOf = (input: SumInput): Flag<string | number> =>
  isChoice(input) ? oneOf(input.choices) : number(-Infinity, Infinity);

/** What a sum is asked with: a flag for each of its inputs. */
export function sumFlags(sum: Sum): Record<string, Flag<string | number>> {
  return Object.fromEntries(
    Object.entries(sum.inputs).map(([name, input]) => [optionName(name), flagOf(input)]),
  );
}

function solved(sum: Sum, args: readonly string[]) {
  const { values, positionals } = readFlags(args, sumFlags(sum));
  const [stray] = positionals;
  if (stray !== undefined) throw new CliError(`"${stray}" is no option of ${sum.id}.`);
  const given = Object.fromEntries(
    Object.keys(sum.inputs).map((name) => [name, values[optionName(name)]]),
  );
  try {
    // A picture is for the screen; what is printed is what it is drawn from.
    const { sketch: _sketch, ...answer } = workOut(sum, given);
    return answer;
  } catch (error) {
    if (error instanceof SumError) throw new CliError(error.message);
    throw error;
  }
}

const listed = defineCommand({
  usage: 'sum NAME --litres 208 …',
  does: 'a calculation with its working; sum --list names them',
  flags: { list: said },
  run: ({ values, positionals }) => {
    if (values.list) return SUMS.map(lineOf).join('\n');
    const [name] = positionals;
    throw new CliError(
      name === undefined
        ? 'Say which sum; sum --list names them.'
        : `There is no sum "${name}"; sum --list names them.`,
    );
  },
});

/** Any sum, and what each asks for. Its flags are those of the sum that is named first. */
export const sum: Command = {
  ...listed,
  call: (args, now) => {
    const [name, ...rest] = args;
    const found = SUMS.find(({ id }) => id === name);
    return found ? JSON.stringify(solved(found, rest), null, 2) : listed.call(args, now);
  },
};
