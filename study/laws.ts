import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Study } from './study';

/** Suites whose laws are drawn so many times as the study says. */
function suitesThatDraw(): string[] {
  return ['src', 'cli'].flatMap((folder) =>
    (readdirSync(folder, { recursive: true }) as string[])
      .map((file) => path.join(folder, file))
      .filter((file) => file.endsWith('.test.ts'))
      .filter((file) => /\bdraws\(/.test(readFileSync(file, 'utf8'))),
  );
}

/** The laws of `npm test`, each drawn many times as often as there: `laws 10` draws them ten times as often. */
export const laws: Study = {
  keys: (size) => suitesThatDraw().map((file) => `${file} ${size}`),
  run: (key) => {
    const [file = '', times = '1'] = key.split(' ');
    const { status, stderr } = spawnSync(
      'npx',
      ['jest', '--selectProjects', 'core', '--testTimeout=3600000', '--runTestsByPath', file],
      { encoding: 'utf8', env: { ...process.env, DRAWS: times } },
    );
    return { held: status === 0, said: status === 0 ? '' : stderr.slice(-4000) };
  },
  report: (rows) => [
    { suites: rows.length, held: rows.filter(({ held }) => held).length },
    ...rows.filter(({ held }) => !held),
  ],
};
