// npm run torture: a real browser is killed, torn between two tabs, fed damaged files and tapped
// twice; prints what was lost as figures. `--seed 7` repeats a run, `--only kills,taps` shortens it.
import { parseArgs } from 'node:util';
import { seededRandom } from '../src/core/math/random';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { ensureBuild, ensureChromium } from './lib/ensure.mjs';
import { countedFlushes } from './torture/flushes';
import { torturedByImports } from './torture/imports';
import { torturedByCommands } from './torture/commands';
import { torturedByAnimals, torturedByKeys } from './torture/keys';
import { torturedByKills } from './torture/kills';
import { torturedByListeners } from './torture/listeners';
import { torturedByMonitor } from './torture/monitor';
import { torturedInBrowser } from './torture/monitorInBrowser';
import { torturedByTabs } from './torture/tabs';
import { torturedByTaps } from './torture/taps';
import { torturedByTouches } from './torture/touches';
import { oneTankFigures } from '../bench/oneTankFigures';

const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    only: {
      type: 'string',
      default:
        'imports,animals,keys,commands,monitor,listeners,growth,taps,touches,tabs,kills,flushes,monitorInBrowser',
    },
    kills: { type: 'string', default: '60' },
    minutes: { type: 'string', default: '2' },
    files: { type: 'string', default: '5000' },
    /** Of samples that a monitor takes, with everything that can go wrong. */
    hours: { type: 'string', default: '60' },
    /** Of one monitor, for a minute. */
    readers: { type: 'string', default: '200' },
    rounds: { type: 'string', default: '4' },
    /** The address of another build that is served, for taps and touches: a control. */
    base: { type: 'string' },
  },
});

async function main(): Promise<void> {
  await ensureBuild();
  process.env.CHROMIUM = await ensureChromium();
  const { server, port } = await listenFrom(createServer('dist'), '127.0.0.1', 0);
  const base = `http://127.0.0.1:${port}`;
  const given = values.base ?? base;
  const seed = Number(values.seed);
  const chance = seededRandom(seed);
  const parts: Record<string, () => object | Promise<object>> = {
    imports: () => torturedByImports(Number(values.files), chance),
    animals: () => torturedByAnimals(2000, chance),
    keys: () => torturedByKeys(5000, chance),
    commands: () => torturedByCommands(2000, chance),
    growth: () => oneTankFigures([1_000, 5_000, 20_000, 50_000]),
    taps: () => torturedByTaps(given),
    touches: () => torturedByTouches(given, Number(values.rounds), chance),
    tabs: () => torturedByTabs(base, Number(values.minutes), chance),
    kills: () => torturedByKills(base, Number(values.kills), chance),
    monitor: () => torturedByMonitor(Number(values.hours), chance),
    listeners: () => torturedByListeners(Number(values.readers), 60),
    // By the clock: an hour of it a minute.
    monitorInBrowser: () => torturedInBrowser(Number(values.hours), chance),
    flushes: () => countedFlushes(base, 20),
  };
  for (const name of values.only.split(',')) {
    const part = parts[name];
    if (!part)
      throw new Error(`There is no part called ${name}: ${Object.keys(parts).join(', ')}.`);
    const begun = performance.now();
    const result = await part();
    const seconds = Math.round((performance.now() - begun) / 1000);
    process.stdout.write(`${JSON.stringify({ part: name, seed, seconds, ...result })}\n`);
  }
  server.close();
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.stack ?? error.message}\n`);
  process.exit(1);
});
