import { gzipSync } from 'node:zlib';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import {
  allRevisions,
  bandsOf,
  EMPTY_LOG,
  headsOfType,
  mergeRevisions,
  readLogFile,
  tankHistory,
  toLogFile,
  verdictOf,
  writeLogFile,
  type Revision,
} from '../src/core';
import { steadyEnvironment } from '../src/core/cycle/kinetics/environment';
import { packEvents } from '../src/core/cycle/kinetics/events';
import { freshStart, typicalParameters } from '../src/core/cycle/kinetics/parameters';
import { courseFor, runCycle } from '../src/core/cycle/kinetics/run';
import { demoLog } from '../src/core/demo/demoLog';
import { carry, cycleProblem, infer } from '../src/core/cycle/forecast';
import { canAdd } from '../src/core/livestock/add/add';
import { CATALOGUE } from '../src/core/livestock/catalogue';
import { factsOf } from '../src/core/livestock/planner/facts';
import { stockSource } from '../src/core/livestock/planner/source';
import { makePlan } from '../src/core/livestock/planner/plan';
import { calendarEvents } from '../src/core/maintenance/calendar/calendarEvents';
import { choreTimesOf } from '../src/core/maintenance/choreAsks';
import { icsOf } from '../src/core/maintenance/calendar/ics';
import { loadOf } from '../src/core/maintenance/load';
import { eventSearch } from '../src/core/history/events';
import { oneTank } from './oneTankLog';
import { print, timed } from './print';

const NOW = Date.parse('2026-11-24T12:00:00Z');
let id = 0;
const newId = () => `00000000-0000-7000-8000-${(id += 1).toString(16).padStart(12, '0')}`;
const demo = () => demoLog({ now: NOW, zone: 'Europe/Berlin', device: 'bench', newId });

/** The demo's entries many times over, on ids of their own: some years of a diligent keeper. */
function years(copies: number): Revision[] {
  const base = demo();
  const more: Revision[] = [];
  for (let copy = 1; copy < copies; copy += 1) {
    for (const revision of base) {
      if (revision.type === 'entry') more.push({ ...revision, id: newId(), actId: newId() });
    }
  }
  return [...base, ...more];
}

for (const copies of [1, 50]) {
  const revisions = years(copies);
  const log = mergeRevisions(EMPTY_LOG, revisions);
  const tank = headsOfType(log, 'tank').find((t) => t.body.name === 'Kittiwake');
  if (!tank) throw new Error('The demo has no Kittiwake.');
  const bands = bandsOf('mixedReef', {});
  const another = demo().slice(0, 1);
  const history = tankHistory(log, tank.id, NOW);
  const text = writeLogFile(toLogFile(allRevisions(log), '2026-11-24T12:00:00Z'));
  print('log', {
    revisions: revisions.length,
    fileKb: Math.round(text.length / 1000),
    mergeMs: timed(() => mergeRevisions(EMPTY_LOG, revisions)),
    oneMoreMs: timed(() => mergeRevisions(log, another)),
    historyMs: timed(() => tankHistory(log, tank.id, NOW)),
    verdictMs: timed(() => verdictOf(history, NOW, bands)),
    readFileMs: timed(() => readLogFile(text), 5),
  });
}

const environment = steadyEnvironment(60);
const course = courseFor(environment);
const events = packEvents([
  { step: 24, ammonia: 2 },
  { step: 240, ammonia: 2 },
  { step: 480, replaced: 0.2, newAlkalinity: 8 },
]);
const filterBacteria = typicalParameters('bottle');
print('kinetics', {
  days: 60,
  steps: environment.steps,
  runMs:
    timed(() => {
      for (let i = 0; i < 100; i += 1)
        runCycle(filterBacteria, environment, events, freshStart(filterBacteria, 8), course);
    }) / 100,
});

const scripts = path.join('dist', '_expo', 'static', 'js', 'web');
if (existsSync(scripts)) {
  const sizes = readdirSync(scripts)
    .filter((file) => file.endsWith('.js'))
    .map((file) => gzipSync(readFileSync(path.join(scripts, file)), { level: 9 }).length);
  print('bundle', {
    files: sizes.length,
    allGzippedKb: Math.round(sizes.reduce((a, b) => a + b, 0) / 1000),
    largestGzippedKb: Math.round(Math.max(...sizes) / 1000),
  });
}

{
  const log = mergeRevisions(EMPTY_LOG, demo());
  const tank = headsOfType(log, 'tank').find((t) => t.body.name === 'Fulmar');
  if (!tank) throw new Error('The demo has no Fulmar.');
  const history = tankHistory(log, tank.id, NOW);
  const posterior = infer(cycleProblem(history, NOW), { seed: 1 });
  const facts = factsOf(stockSource(log, history, NOW, { ready: true, forecast: null }));
  const many = CATALOGUE.filter(
    (animal) =>
      animal.group !== 'fish' || (animal.temper !== 'aggressive' && animal.leastLitres < 400),
  )
    .filter((_, i) => i % 5 === 0)
    .slice(0, 30);
  const wishes = many.map(({ id: species }, order) => ({
    id: String(order),
    tankId: tank.id,
    species,
    count: 1,
    order,
  }));
  print('stocking', {
    wishes: wishes.length,
    planMs: timed(() => makePlan({ ...facts, wishes }, posterior), 3),
    planLimitMs: 1000,
    addMs: timed(() => canAdd(facts, posterior, { species: 'firefish', count: 1 }), 3),
    addLimitMs: 500,
    carryMs: timed(() => carry(posterior, [{ fromDay: 0, nitrogen: 0.1 }], 21), 3),
  });
}

{
  // What is typed into the search, letter by letter, over the lines of 20,000 readings.
  const { revisions, tankId } = oneTank(20_000, NOW);
  const history = tankHistory(mergeRevisions(EMPTY_LOG, revisions), tankId, NOW);
  const prepareMs = timed(() => eventSearch({ ...history }));
  const { events, find } = eventSearch(history);
  const texts = ['n', 'ni', 'nit', 'nitr', 'between 0 and', 'nothing has this'];
  print('search', {
    entries: events.length,
    prepareMs,
    mostMsALetter: Math.max(...texts.map((text) => timed(() => find(text, 8)))),
    allMsALetter: Math.max(...texts.map((text) => timed(() => find(text)))),
  });
}

{
  // A year of chores of three tanks that run, laid out day by day, and the load of its weeks.
  const log = mergeRevisions(EMPTY_LOG, demo());
  const fulmar = log.tanks.find(({ body }) => body.name === 'Fulmar');
  if (!fulmar) throw new Error('The demo has no Fulmar.');
  const running = tankHistory(log, fulmar.id, NOW);
  const three = [running, { ...running, netLitres: 60 }, { ...running, netLitres: 900 }];
  const year = () => three.flatMap((one) => choreTimesOf(one, log, NOW, '2027-11-24'));
  const events = () =>
    calendarEvents(
      log,
      three.map((history, i) => ({ history: { ...history, tankId: `${i}` }, tasks: [] })),
      NOW,
    );
  print('maintenance', {
    tanks: three.length,
    times: year().length,
    yearMs: timed(year),
    weeksMs: timed(() => loadOf(three, log, NOW, 52)),
    calendarMs: timed(() => icsOf(events(), 18, NOW)),
  });
}
