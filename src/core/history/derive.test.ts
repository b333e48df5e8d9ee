import fc from 'fast-check';
import {
  EMPTY_LOG,
  entriesOfTank,
  headsOfType,
  mergeRevisions,
  removeRecord,
  reviseRecord,
  revisionSchema,
  tankHistory,
  type Revision,
  type RevisionOf,
} from '..';
import { cycleProblem } from '../cycle/forecast';
import { verdictOf } from '../cycle/verdict/verdict';
import { demoLog } from '../demo/demoLog';
import { allEvents, chartMarks, latestEvents } from './events';
import { entryLine, entryTitle } from '../records/kinds';
import { dueTasks } from '../tasks/due';
import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { deriveHistory, type Derived, type HistorySource } from './derive';
import { wordsContext } from './tankHistory';
import { ASSURED } from '../../testing/assured';
import { draws } from '../../testing/draws';

const NOW = Date.parse('2026-11-24T12:00:00Z');

function demo(): Revision[] {
  let n = 0;
  return demoLog({ now: NOW, zone: 'UTC', device: 'demo', newId: () => testId((n += 1)) });
}

describe('a history taken one entry at a time', () => {
  it('is the one derived anew, whatever was logged, corrected and removed before', () => {
    const act = fc.record({
      what: fc.constantFrom('ammonia', 'temperature', 'refractometer', 'note', 'change', 'remove'),
      day: fc.integer({ min: 0, max: 40 }),
      pick: fc.nat(),
      value: fc.integer({ min: 0, max: 5 }),
    });
    fc.assert(
      fc.property(fc.array(act, { minLength: 1, maxLength: 14 }), (acts) => {
        const builder = new LogBuilder();
        let log = builder.log();
        let derived: Derived | null = null;
        let told = builder.revisions.length;
        for (const { what, day, pick, value } of acts) {
          const at = onDay(day) + (pick % 7_200_000);
          const heads = entriesOfTank(log, builder.tankId);
          const head = heads[pick % heads.length];
          const stamp = builder.stamp(onDay(50));
          if (what === 'ammonia') builder.ammonia(at, [0, 0.25, 0.5, 1, 2, 4][value] ?? 0);
          else if (what === 'temperature') builder.digital('thermometer', at, 20 + value);
          else if (what === 'refractometer') {
            builder.digital('refractometer', at, 30 + value, {
              scale: { form: 'digital', resolution: 1, accuracy: 1, compensated: false },
            });
          } else if (what === 'note') builder.entry(at, { kind: 'note', text: 'Seen' });
          else if (head && what === 'change') {
            const moved = new Date(at).toISOString();
            builder.revisions.push(reviseRecord(stamp, head, { ...head.body, at: moved }));
          } else if (head) builder.revisions.push(removeRecord(stamp, head));
          log = mergeRevisions(log, builder.revisions.slice(told));
          told = builder.revisions.length;
          const [tank] = headsOfType(log, 'tank');
          if (!tank) throw new Error('no tank');
          const source: HistorySource = {
            tankId: builder.tankId,
            tank: tank.body,
            heads: entriesOfTank(log, builder.tankId),
            kits: log.everyKit,
            medicines: log.everyMedicine,
            calibrations: log.calibrations,
          };
          derived = deriveHistory(source, derived);
          expect(derived.history).toEqual(deriveHistory(source).history);
        }
      }),
      { numRuns: draws(20) },
    );
  });
});

/** A number that a schema may let through, instead of one of a record. */
const NUMBERS = [0, 1e-6, 0.5, 7, 1e6, -1, 40];

/** Changes one thing in a body at random: a number, or one of the texts that choose. */
function damaged(body: unknown, chance: () => number, ids: readonly string[]): unknown {
  const copy = JSON.parse(JSON.stringify(body)) as Record<string, unknown>;
  const places: [Record<string, unknown>, string][] = [];
  const walk = (node: Record<string, unknown>) => {
    for (const [key, value] of Object.entries(node)) {
      if (typeof value === 'number' || typeof value === 'string') places.push([node, key]);
      if (typeof value === 'object' && value !== null) walk(value as Record<string, unknown>);
    }
  };
  walk(copy);
  const place = places[chance() % places.length];
  if (!place) return copy;
  const [node, key] = place;
  if (typeof node[key] === 'number') node[key] = NUMBERS[chance() % NUMBERS.length];
  else if (key === 'kitId') node[key] = ids[chance() % ids.length];
  else if (key === 'parameter' || key === 'unit') {
    node.parameter = ['salinity', 'ammonia', 'ph'][chance() % 3];
    if ('unit' in node) node.unit = ['ppt', 'ammonia NH4', 'pH'][chance() % 3];
  }
  return copy;
}

it('whatever passes the schemas is derived, judged and put in words without a throw', () => {
  const all = demo();
  const ids = [...all.filter((r) => r.type === 'kit').map((r) => r.id), testId(77_777)];
  let changed = 0;
  fc.assert(
    fc.property(fc.infiniteStream(fc.nat()), fc.integer({ min: 1, max: 12 }), (stream, count) => {
      const chance = () => stream.next().value;
      const revisions = [...all];
      for (let i = 0; i < count; i += 1) {
        const at = chance() % revisions.length;
        const old = revisions[at];
        if (!old) continue;
        const read = revisionSchema.safeParse({ ...old, body: damaged(old.body, chance, ids) });
        if (!read.success) continue;
        revisions[at] = read.data;
        changed += 1;
      }
      const log = mergeRevisions(EMPTY_LOG, revisions);
      for (const tank of log.tanks as readonly RevisionOf<'tank'>[]) {
        const history = tankHistory(log, tank.id, NOW);
        const verdict = verdictOf(history, NOW, {}, ASSURED);
        const owned = new Set(log.kits.map((kit) => kit.body.parameter));
        dueTasks(history, verdict, owned, NOW);
        allEvents(history);
        latestEvents(history, 20);
        chartMarks(history, ['ammonia', 'salinity']);
        const words = wordsContext(history);
        for (const { body } of entriesOfTank(log, tank.id)) {
          expect(entryTitle(body)).not.toBe('');
          expect(`${entryLine(body, words)}`).not.toMatch(/NaN|undefined|\[object/);
        }
        if (history.standing.runningSince === null) cycleProblem(history, NOW);
      }
    }),
    { numRuns: draws(20) },
  );
  expect(changed).toBeGreaterThan(draws(30));
});
