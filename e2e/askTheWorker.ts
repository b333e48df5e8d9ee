import { readdirSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { Forecast } from '../src/core/cycle/forecast/types';
import type { CycleProblem } from '../src/core/cycle/problem/types';

/** Where the build keeps its scripts. */
const SCRIPTS = '/_expo/static/js/web';

/** The address of the worker's own file in the build. */
export function workerFile(): string {
  const [name] = readdirSync(`dist${SCRIPTS}`).filter((file) => /^jobs-\w+\.js$/.test(file));
  if (!name) throw new Error('The build has no worker of jobs.');
  return `${SCRIPTS}/${name}`;
}

/** Asks the app's own worker file for a forecast of a problem, and says how long each job took. */
export function askTheWorker(page: Page, url: string, problem: CycleProblem) {
  return page.evaluate(
    async ({ url, problem }) => {
      const worker = new Worker(url);
      const ask = <T>(job: string, input: unknown) =>
        new Promise<T>((resolve, reject) => {
          worker.onerror = () => reject(new Error('The worker stopped.'));
          worker.onmessage = ({ data }) => {
            if (data.kind === 'done') resolve(data.output);
            if (data.kind === 'failed') reject(new Error(data.why));
          };
          worker.postMessage({ runId: 1, job, input });
        });
      const begun = performance.now();
      const posterior = await ask('infer', { problem, seed: 1 });
      const inferred = performance.now();
      const forecast = await ask<Forecast>('foretell', { posterior, atHand: problem.kits });
      worker.terminate();
      return {
        forecast,
        bytes: JSON.stringify(posterior).length,
        inferMs: Math.round(inferred - begun),
        foretellMs: Math.round(performance.now() - inferred),
      };
    },
    { url, problem },
  );
}
