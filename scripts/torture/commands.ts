import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { COMMANDS, runCommand } from '../../cli/commands';
import { CliError } from '../../cli/errors';

const NOW = Date.parse('2026-11-24T12:00:00Z');
/** Those that infer filter bacteria are fuzzed on a file that is not there: the rest of them is not theirs. */
const infers = (flags: object) => 'particles' in flags;
const WORDS = [
  '',
  '0',
  '-1',
  '1e999',
  'NaN',
  'Mars/Base',
  '+275760-09-13T00:00:00Z',
  '__proto__',
  'constructor',
  'x'.repeat(20_000),
  'fish',
  '35 ppt',
  '2026-11-23',
  '\u0000',
];

/**
 * The command line with anything behind any flag of any command: an answer, or one line.
 * Control: read one flag without its type, as `demo --zone` was.
 */
export function torturedByCommands(calls: number, chance: () => number) {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-torture-'));
  const demo = path.join(folder, 'demo.json');
  // What a command is told to write lands there, and nowhere that matters.
  const here = process.cwd();
  process.chdir(folder);
  writeFileSync(demo, runCommand(['demo', '--at', '2026-11-24T12:00:00Z'], NOW));
  const pick = <T>(list: readonly T[]) => list[Math.floor(chance() * list.length)] as T;
  const names = Object.keys(COMMANDS);
  const threw: string[] = [];
  let answered = 0;
  for (let n = 0; n < calls; n += 1) {
    const name = pick(names);
    const known = COMMANDS[name]?.flags ?? {};
    const flags = Object.keys(known);
    const file = infers(known) ? 'nowhere.json' : pick([demo, 'firefish', '35 ppt']);
    const args = Array.from({ length: Math.floor(chance() * 4) }, () => [
      `--${pick([...flags, 'bogus'])}`,
      pick(WORDS),
    ]).flat();
    try {
      runCommand([name, file, ...args], NOW);
      answered += 1;
    } catch (error) {
      if (!(error instanceof CliError)) threw.push(`${name} ${JSON.stringify(args).slice(0, 200)}`);
    }
  }
  process.chdir(here);
  return { calls, answered, threw };
}
