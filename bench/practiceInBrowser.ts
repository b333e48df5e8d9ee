// The worker of practice as it is built, in a real browser: days to ready of tanks like one, followed for 60 days.
import { readdirSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { ensureBuild, ensureChromium } from '../scripts/lib/ensure.mjs';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { ALIKE, daysLookedAt } from '../src/core/practice/after/alike';
import { playedLog } from '../src/core/practice/run/play';
import { writeRun } from '../src/core/practice/run/runFile';
import { DAY_MS } from '../src/core/time/zone';
import { dose, PracticeLife } from '../src/testing/heldOut/practiceKeeper';
import { print } from './print';

const SCRIPTS = '/_expo/static/js/web';

/** A tank on dry rock with its plan: a dose each week. */
function planned() {
  const life = new PracticeLife('dryRock', 7);
  for (let week = 0; week < 8; week += 1) {
    life.do(dose(1));
    life.wait(7 * DAY_MS);
  }
  const { header } = life.played();
  const before = new Set(life.begun.revisions);
  // With its clock at the beginning it is followed for the 60 days that are looked beyond it.
  const run = { header: { ...header, clock: header.startedAt } };
  const records = life.revisions.filter((revision) => !before.has(revision));
  const played = playedLog(run.header, life.revisions);
  const [, , , left] = played.deeds;
  if (!left) throw new Error('The plan has no fourth deed to leave out.');
  return { text: writeRun({ ...run, records }), deedId: left.id, played };
}

async function main(): Promise<void> {
  await ensureBuild();
  const [name] = readdirSync(`dist${SCRIPTS}`).filter((file) => /^practice-\w+\.js$/.test(file));
  if (!name) throw new Error('The build has no worker of practice.');
  const { server, port } = await listenFrom(createServer('dist'), '127.0.0.1', 0);
  const browser = await chromium.launch({
    executablePath: await ensureChromium(),
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage({ baseURL: `http://127.0.0.1:${port}` });
  await page.goto('/icon.svg');
  const { text, deedId, played } = planned();
  for (const time of ['first', 'again']) {
    const answer = await page.evaluate(
      ([url, run, id]) =>
        new Promise<{ kind: string; ms: number; told: number }>((resolve, reject) => {
          const worker = new Worker(url ?? '');
          const begun = performance.now();
          let told = 0;
          worker.onerror = () => reject(new Error('The worker stopped.'));
          worker.onmessage = ({ data }) => {
            if (data.kind === 'progress') return (told += 1);
            worker.terminate();
            return resolve({ kind: data.kind, told, ms: Math.round(performance.now() - begun) });
          };
          worker.postMessage({ run, deedId: id });
        }),
      [`${SCRIPTS}/${name}`, text, deedId],
    );
    if (answer.kind !== 'done') throw new Error('The worker could not read the run.');
    print('practice in the worker', {
      time,
      days: daysLookedAt(played),
      tanks: 2 * ALIKE,
      allMs: answer.ms,
      twoHundredMs: Math.round(answer.ms / 2),
      wantedMs: 6000,
      toldShares: answer.told,
    });
  }
  await browser.close();
  server.close();
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.stack ?? error.message}\n`);
  process.exit(1);
});
