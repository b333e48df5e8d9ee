import { LogBuilder, onDay, testId } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { EMPTY_LOG, mergeRevisions } from '../../records/log';
import type { Batch } from '../../records/schema/batch';
import type { Run } from '../../records/schema/run';
import type { Verdict } from '../../cycle/verdict/types';
import { arrivals } from './arrivals';
import { quarantine } from './quarantine';
import type { TaskSource, TaskWorld } from '../types';

const iso = (day: number) => new Date(onDay(day)).toISOString();

function spare() {
  const log = new LogBuilder({ kind: 'quarantine' });
  const cohort = log.entry(onDay(10), {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Goby',
    count: 1,
  });
  const body: Batch = {
    tankId: log.tankId,
    forTankId: testId(999),
    protocol: 'observe',
    begunAt: iso(10),
    restartedAt: null,
    animals: [{ what: 'Goby', count: 1, cohort }],
    endedAt: null,
  };
  const asked = (source: TaskSource, day: number, world: Partial<TaskWorld> = {}) => {
    const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, onDay(day));
    const given = {
      history,
      verdict: {} as Verdict,
      forecast: null,
      owned: new Set(['ammonia'] as const),
      batches: [{ id: testId(500), body }],
      ...world,
    };
    return source
      .occurrences(given, onDay(day), onDay(day + 45))
      .map(({ title, inDays }) => [title, inDays]);
  };
  return { log, cohort, body, asked };
}

describe('quarantine', () => {
  it('asks for the look of the day until it was made', () => {
    const { log, cohort, asked } = spare();
    expect(asked(quarantine, 12)).toEqual([['Look at 1 animal in quarantine', 0]]);
    log.entry(onDay(12, 9), { kind: 'dailyCheck', cohort, what: 'Goby', state: 'well', signs: [] });
    expect(asked(quarantine, 12)).toEqual([]);
    expect(asked(quarantine, 13)).toHaveLength(1);
  });

  it('asks for no look at one that died, and for one at who joined since', () => {
    const { log, cohort, body, asked } = spare();
    const arrival = { kind: 'animals', move: 'in', group: 'fish', count: 1 } as const;
    const second = log.entry(onDay(10), { ...arrival, what: 'Blenny' });
    const two = {
      batches: [
        {
          id: testId(500),
          body: {
            ...body,
            animals: [...body.animals, { what: 'Blenny', count: 1, cohort: second }],
          },
        },
      ],
    };
    log.entry(onDay(12, 8), {
      kind: 'animals',
      move: 'died',
      group: 'fish',
      what: 'Goby',
      count: 1,
      cohort,
    });
    log.entry(onDay(12, 9), {
      kind: 'dailyCheck',
      cohort: second,
      what: 'Blenny',
      state: 'well',
      signs: [],
    });
    expect(asked(quarantine, 12, two)).toEqual([]);
    log.entry(onDay(12, 9), { ...arrival, what: 'Wrasse' });
    expect(asked(quarantine, 12, two)).toEqual([['Look at 1 animal in quarantine', 0]]);
  });

  it('asks for the cleaning after a batch, once', () => {
    const { log, body, asked } = spare();
    const ended = { batches: [{ id: testId(500), body: { ...body, endedAt: iso(40) } }] };
    expect(asked(quarantine, 41, ended)).toEqual([['Clean the quarantine tank', -1]]);
    log.entry(onDay(42), { kind: 'cleaning' });
    expect(asked(quarantine, 43, ended)).toEqual([]);
  });
});

describe('an arrival', () => {
  it('is followed by ammonia on days 1, 3 and 7, each answered by a test from that day on', () => {
    const { log, asked } = spare();
    expect(asked(arrivals, 10)).toEqual([
      ['Test ammonia', 1],
      ['Test ammonia', 3],
      ['Test ammonia', 7],
    ]);
    log.ammonia(onDay(12), 0);
    expect(asked(arrivals, 12)).toEqual([
      ['Test ammonia', 1],
      ['Test ammonia', 5],
    ]);
    expect(asked(arrivals, 12, { owned: new Set() })).toEqual([]);
    expect(asked(arrivals, 30)).toEqual([]);
  });

  it('whose drip ended with the top-off unit off asks for it', () => {
    const { log, asked } = spare();
    const run = (steps: Run['steps']): TaskWorld['runs'] => [
      {
        id: testId(600),
        body: {
          procedure: 'acclimate',
          tankId: log.tankId,
          begunAt: iso(20),
          ended: { at: iso(20), how: 'stopped' },
          given: {},
          steps,
          clocks: {},
        },
      },
    ];
    const off = { topOff: { at: iso(20) } };
    expect(asked(arrivals, 20, { runs: run(off) })).toEqual([['Top-off unit on again?', 0]]);
    expect(asked(arrivals, 20, { runs: run({ ...off, topOn: { at: iso(20) } }) })).toEqual([]);
    expect(asked(arrivals, 26, { runs: run(off) })).toEqual([]);
  });
});
