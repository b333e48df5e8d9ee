import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import { SUMS } from '../src/core/sums';
import { COMMANDS, runCommand } from './commands';
import { CliError } from './errors';
import { sumFlags } from './sum';
import { draws } from '../src/testing/draws';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-fuzz-'));
const demo = path.join(folder, 'demo.json');
writeFileSync(demo, runCommand(['demo', '--at', '2026-11-24T12:00:00Z'], NOW));
const cut = path.join(folder, 'cut.json');
writeFileSync(cut, '{"format":"zoarium-log"');
// What a command is told to write lands here, and nowhere that matters.
const here = process.cwd();
beforeAll(() => process.chdir(folder));
afterAll(() => process.chdir(here));

/** What is typed behind a flag, right or wrong, and what breaks whoever believes it. */
const TYPED = [
  '',
  ' ',
  '0',
  '-1',
  '1e999',
  'NaN',
  '١٢',
  '1,5',
  '35 ppt',
  '53 mS/cm',
  '1e400 ppt',
  'fish',
  'Fulmar',
  'Mars/Base',
  'Etc/GMT+12',
  '../../etc/passwd',
  '__proto__',
  'constructor',
  '\u0000',
  'a\nb',
  'x'.repeat(20_000),
  '2026-11-23',
  '+275760-09-13T00:00:00Z',
  '-271821-04-20T00:00:00Z',
  '9999-12-31T23:59:59Z',
  '0000-01-01',
  '2026-02-31T00:00:00Z',
  demo,
  cut,
  folder,
  'nowhere.json',
];
const typed = fc.oneof(
  { weight: 4, arbitrary: fc.constantFrom(...TYPED) },
  fc.string({ unit: 'binary', maxLength: 12 }),
  fc.double().map(String),
);

/** Text for a command with flags of these names, some of them twice, unknown or without a value. */
function calls(command: string, flags: readonly string[], first: readonly string[]) {
  const flag = fc.constantFrom(...flags, 'bogus', 'constructor').map((name) => `--${name}`);
  const part = fc.oneof(
    fc.tuple(flag, typed),
    fc.tuple(flag, typed).map(([name, value]) => [`${name}=${value}`]),
    typed.map((value) => [value]),
    flag.map((name) => [name]),
  );
  return fc
    .tuple(fc.constantFrom(...first), fc.array(part, { maxLength: 5 }))
    .map(([start, parts]) => [command, start, ...parts.flat()]);
}

/** Either an answer, or one line that says what to mend. */
function answered(argv: readonly string[]): void {
  try {
    expect(typeof runCommand(argv, NOW)).toBe('string');
  } catch (error) {
    if (!(error instanceof CliError)) throw error;
    expect(error.message.trim()).not.toBe('');
  }
}

/** Those that infer filter bacteria take half a second each where nothing is wrong with the call. */
const infers = (flags: object) => 'particles' in flags;

describe('whatever is typed', () => {
  it.each(Object.entries(COMMANDS))(
    '%s answers or says in one line what to mend',
    (name, { flags }) => {
      const slow = infers(flags);
      const first = slow ? ['nowhere.json', cut, demo] : [demo, cut, 'firefish', '35 ppt', ''];
      fc.assert(fc.property(calls(name, Object.keys(flags), first), answered), {
        numRuns: draws(slow ? 2 : 20),
      });
    },
  );

  it.each(SUMS.map((one) => [one.id, one] as const))('sum %s does so', (id, one) => {
    fc.assert(fc.property(calls('sum', Object.keys(sumFlags(one)), [id]), answered), {
      numRuns: draws(8),
    });
  });

  it('no command does so', () => {
    fc.assert(fc.property(fc.array(typed, { maxLength: 3 }), answered));
  });

  it.each([
    ['demo', '--zone', 'Mars/Base'],
    ['demo', '--zone', ''],
    ['convert', '35 ppt', '--to', 'constructor'],
    ['convert', '2 ppm', '--of', '__proto__', '--to', 'ppm'],
    ['demo', '--at', '+275760-09-13T00:00:00Z'],
    ['due', demo, '--at', '9999-12-31T23:59:59Z'],
  ])('%j says what to mend', (...argv) => {
    expect(() => runCommand(argv, NOW)).toThrow(CliError);
  });
});
