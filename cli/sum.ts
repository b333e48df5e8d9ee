import { isChoice, SUMS, SumError, workOut, type Sum, type SumInput } from '../src/core/sums';
import { argsOf, numberOption, textOption } from './args';
import { CliError } from './errors';

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

function solved(sum: Sum, args: string[]) {
  const names = Object.keys(sum.inputs);
  const options = Object.fromEntries(
    names.map((name) => [optionName(name), { type: 'string' as const }]),
  );
  const { values, positionals } = argsOf(args, options);
  const [stray] = positionals;
  if (stray !== undefined) throw new CliError(`"${stray}" is no option of ${sum.id}.`);
  const given = Object.fromEntries(
    Object.entries(sum.inputs).map(([name, input]) => {
      const option = optionName(name);
      return [name, isChoice(input) ? textOption(values, option) : numberOption(values, option)];
    }),
  );
  // A picture is for the screen; what is printed is what it is drawn from.
  const { sketch: _sketch, ...answer } = workOut(sum, given);
  return answer;
}

/** `sum NAME --litres 208 …`: any sum of the Bench, and `sum --list`: what each asks for. */
export function sumCommand(args: string[]): string {
  const [name, ...rest] = args;
  if (name === '--list') return SUMS.map(lineOf).join('\n');
  const sum = SUMS.find(({ id }) => id === name);
  if (!sum) {
    throw new CliError(
      name === undefined
        ? 'Say which sum; sum --list names them.'
        : `There is no sum "${name}"; sum --list names them.`,
    );
  }
  try {
    return JSON.stringify(solved(sum, rest), null, 2);
  } catch (error) {
    if (error instanceof SumError) throw new CliError(error.message);
    throw error;
  }
}
