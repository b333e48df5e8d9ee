import { execFileSync } from 'node:child_process';
import { appendFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { laws } from './laws';
import { letters } from './letters';
import { margins } from './margins';
import { practice, practiceForecast } from './practice';
import { prints } from './prints';
import { stories } from './stories';
import type { Study } from './study';
import { untidy } from './untidy';

/**
 * Studies of the verdict on held-out tanks, and of laws, too long for `npm test`:
 *
 *   npm run study -- untidy 200 0/2     200 lives of each kind; of them the first of two parts
 *   npm run study -- letters 40
 *   npm run study -- stories 10
 *   npm run study -- laws 10            the laws of `npm test`, each drawn ten times as often
 *   npm run study -- practice 20        20 seeds of each situation of Practice, by Today and by temptation
 *   npm run study -- practiceForecast 150   the forecast on tanks of Practice, at shares of their way
 *   npm run study -- prints 25          1,000 practice lives hashed by all their bits, in Node and in Chromium
 *   npm run study -- untidy report
 *
 * Each life that is done is written to `.study/`, under the commit that it was judged by, so that a study
 * that was stopped goes on where it was, and two parts may run side by side.
 */
const STUDIES: Record<string, Study> = {
  untidy,
  letters,
  stories,
  margins,
  laws,
  practice,
  practiceForecast,
  prints,
};

const [name = '', size = 'report', part = '0/1'] = process.argv.slice(2);
const found = STUDIES[name];
if (!found) {
  process.stderr.write(
    `There is no study "${name}". There are: ${Object.keys(STUDIES).join(', ')}.\n`,
  );
  process.exit(1);
}
const study: Study = found;

const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim();
const folder = '.study';
mkdirSync(folder, { recursive: true });
const file = join(folder, `${name}-${commit}.jsonl`);
const rows = existsSync(file)
  ? readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line) => (line ? [JSON.parse(line) as { key: string }] : []))
  : [];

async function judge(): Promise<void> {
  const done = new Set(rows.map(({ key }) => key));
  const [place = 0, of = 1] = part.split('/').map(Number);
  for (const [n, key] of study.keys(Number(size)).entries()) {
    if (n % of !== place || done.has(key)) continue;
    const row = { key, ...(await study.run(key)) };
    rows.push(row);
    appendFileSync(file, `${JSON.stringify(row)}\n`);
  }
  await study.end?.();
}

async function main(): Promise<void> {
  if (size !== 'report') await judge();
  process.stdout.write(`${commit}\n`);
  for (const line of study.report(rows)) process.stdout.write(`${JSON.stringify(line)}\n`);
}

void main();
