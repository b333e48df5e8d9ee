// Checks that adding a member to each list takes the files that docs/architecture.md says: copies
// the sources, adds a made-up member to every list, and asks the type checker what it misses.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

interface Addition {
  /** Its heading in docs/architecture.md. */
  heading: string;
  /** The name of the made-up member, by which complaints are told apart. */
  name: string;
  /** Adds it to its list, in a copy of the sources; resolves to the file of the list. */
  add: (copy: Copy) => string;
}

class Copy {
  readonly root = mkdtempSync(path.join(os.tmpdir(), 'zoarium-extending-'));

  constructor() {
    for (const part of ['src', 'cli', 'tsconfig.json', 'package.json']) {
      // What tests miss is no file that one has to touch.
      const filter = (file: string) => !/\.test\.tsx?$|\btesting$/.test(file);
      cpSync(part, path.join(this.root, part), { recursive: true, filter });
    }
    symlinkSync(path.resolve('node_modules'), path.join(this.root, 'node_modules'));
  }

  read(file: string): string {
    return readFileSync(path.join(this.root, file), 'utf8');
  }

  write(file: string, text: string): void {
    writeFileSync(path.join(this.root, file), text);
  }

  /** Puts text after what is there. Throws where it is not, so that the check cannot pass idly. */
  after(file: string, found: string, text: string): string {
    const before = this.read(file);
    if (!before.includes(found)) throw new Error(`${file} has no "${found}" to add after.`);
    this.write(file, before.replace(found, found + text));
    return file;
  }
}

const ADDITIONS: readonly Addition[] = [
  {
    heading: 'Add a parameter',
    name: 'madeUpParameter',
    add: (copy) =>
      copy.after(
        'src/core/parameters/registry.ts',
        'export const PARAMETER_IDS = [',
        "\n  'madeUpParameter',",
      ),
  },
  {
    heading: 'Add a kind of entry',
    name: 'madeUpKind',
    add: (copy) => {
      const note = copy.read('src/core/records/kinds/note.ts');
      const made = note
        .replace(/z\.literal\('note'\)/, "z.literal('madeUpKind')")
        .replace(/\bNoteEntry\b/g, 'MadeUpEntry')
        .replace(/export const note\b/, 'export const madeUpKind');
      copy.write('src/core/records/kinds/madeUpKind.ts', made);
      const index = 'src/core/records/kinds/index.ts';
      copy.after(
        index,
        "import * as z from 'zod';",
        "\nimport { madeUpKind } from './madeUpKind';",
      );
      return copy.after(index, 'export const KINDS = {', '\n  madeUpKind,');
    },
  },
  {
    heading: 'Add a rule for done',
    name: 'madeUpRule',
    add: (copy) =>
      copy.after(
        'src/core/records/schema/tank.ts',
        "  z.strictObject({ rule: z.literal('bothZero') }),",
        "\n  z.strictObject({ rule: z.literal('madeUpRule') }),",
      ),
  },
  {
    heading: 'Add a task source',
    name: 'madeUpSource',
    add: (copy) => {
      copy.write(
        'src/core/tasks/sources/madeUpSource.ts',
        "import type { TaskSource } from '../types';\nexport const madeUpSource: TaskSource = { occurrences: () => [] };\n",
      );
      const sources = 'src/core/tasks/sources.ts';
      copy.after(
        sources,
        "import { guide } from './sources/guide';",
        "\nimport { madeUpSource } from './sources/madeUpSource';",
      );
      return copy.after(sources, 'export const TASK_SOURCES = {', ' madeUpSource,');
    },
  },
  {
    heading: 'Add a job',
    name: 'madeUpJob',
    add: (copy) =>
      copy.after(
        'src/workers/jobs/table.ts',
        'const JOBS = {',
        '\n  madeUpJob: defineJob({ input: z.number(), output: z.number(), kept: false }),',
      ),
  },
  {
    heading: 'Add a procedure',
    name: 'madeUpProcedure',
    add: (copy) =>
      copy.after(
        'src/core/runs/procedures.ts',
        'export const PROCEDURES = {',
        "\n  madeUpProcedure: { name: 'Made up', also: null, steps: [], clockName: () => '', rings: () => '' },",
      ),
  },
];

/** The files that a heading of the document lists; those of its unit count apart. */
function listed(heading: string): string[] {
  const text = readFileSync('docs/architecture.md', 'utf8');
  const [, section = ''] = text.split(`### ${heading}\n`);
  const [own = ''] = section.split(/\n#/);
  return own
    .split('\n')
    .filter((line) => line.startsWith('- `') && !line.includes('(its unit)'))
    .map((line) => /`([^`]+)`/.exec(line)?.[1] ?? '');
}

function complaints(root: string): { file: string; text: string }[] {
  let output = '';
  try {
    execFileSync(
      'node',
      ['node_modules/typescript-native/bin/tsc', '--noEmit', '-p', '.', '--pretty', 'false'],
      {
        cwd: root,
        encoding: 'utf8',
      },
    );
  } catch (error) {
    output = (error as { stdout: string }).stdout;
  }
  // What is indented explains the line before it.
  return output
    .split(/\n(?=\S)/)
    .map((text) => ({ file: text.split('(')[0] ?? '', text }))
    .filter(({ text }) => text.trim() !== '');
}

const copy = new Copy();
try {
  const lists = ADDITIONS.map((addition) => addition.add(copy));
  const found = complaints(copy.root);
  const unknown = found.filter(({ text }) => !ADDITIONS.some(({ name }) => text.includes(name)));
  let wrong = unknown.length;
  for (const { text } of unknown) process.stdout.write(`not foreseen: ${text}\n`);
  ADDITIONS.forEach(({ heading, name }, i) => {
    const files = found.filter(({ text }) => text.includes(name)).map(({ file }) => file);
    const needed = [...new Set([lists[i] ?? '', ...files])].sort();
    const said = listed(heading).sort();
    const same = JSON.stringify(needed) === JSON.stringify(said);
    if (!same) wrong += 1;
    process.stdout.write(
      `${same ? 'ok  ' : 'FAIL'} ${heading}: ${needed.join(', ')}${same ? '' : `; the document says ${said.join(', ') || 'nothing'}`}\n`,
    );
  });
  if (wrong > 0) process.exitCode = 1;
} finally {
  rmSync(copy.root, { recursive: true, force: true });
}
