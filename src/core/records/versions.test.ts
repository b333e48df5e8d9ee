import { readFileSync } from 'node:fs';
import path from 'node:path';
import {
  EMPTY_LOG,
  entriesOfTank,
  FILE_VERSION,
  headsOfType,
  mergeRevisions,
  readLogFile,
  toLogFile,
  writeLogFile,
} from '..';
import { photosShown } from '../photos/shown';
import { heaterOffset } from './kinds/standing';

const textOf = (version: number) =>
  readFileSync(path.join(__dirname, 'fixtures', `log-v${version}.json`), 'utf8');

/** The log of a version as it opens now, with nothing left out of it. */
function opened(version: number) {
  const reading = readLogFile(textOf(version));
  if (!reading.ok) throw new Error(reading.why);
  expect(reading.refused).toEqual([]);
  return reading;
}

describe('version 1', () => {
  it('opens whole', () => {
    const reading = opened(1);
    const kinds = reading.file.records.map((r) => (r.type === 'entry' ? r.body.kind : r.type));
    expect([...new Set(kinds)].sort()).toEqual(
      [
        'dose',
        'filled',
        'heaterCheck',
        'kit',
        'lid',
        'light',
        'note',
        'reading',
        'running',
        'settings',
        'tank',
        'waterChange',
      ].sort(),
    );
  });
});

describe('version 2', () => {
  it('opens with every kind that it added', () => {
    const reading = opened(2);
    expect(reading.file.version).toBe(FILE_VERSION);
    const entries = reading.file.records.flatMap((r) => (r.type === 'entry' ? [r.body] : []));
    const kinds = new Set(entries.map((body) => body.kind));
    for (const kind of ['organics', 'feed', 'media', 'treatment', 'light', 'sighting'] as const) {
      expect(kinds).toContain(kind);
    }
    expect(entries.some((body) => body.kind === 'dose' && body.bottle)).toBe(true);
    expect(
      reading.file.records.some((r) => r.type === 'tank' && r.body.method && r.body.programme),
    ).toBe(true);
  });
});

describe('version 3', () => {
  it('opens with every kind there is, a run among the records', () => {
    const reading = opened(3);
    const { records } = reading.file;
    const kinds = records.flatMap((r) => (r.type === 'entry' ? [r.body.kind] : []));
    // A kind that is added later needs no place here: this is what the version began with.
    expect(new Set(kinds).size).toBe(18);
    expect(records.some((r) => r.type === 'run')).toBe(true);
  });
});

describe('version 4', () => {
  it('opens with every kind there is, and what came with it', () => {
    const reading = opened(4);
    const { records } = reading.file;
    const entries = records.flatMap((r) => (r.type === 'entry' ? [r.body] : []));
    expect(new Set(entries.map(({ kind }) => kind)).size).toBe(22);
    expect(entries.some((body) => body.kind === 'heaterCheck' && heaterOffset(body) === 0.8)).toBe(
      true,
    );
    expect(records.some((r) => r.type === 'tank' && r.body.notEntered?.includes('rock'))).toBe(
      true,
    );
    expect(records.some((r) => r.type === 'kit' && r.body.pack && r.body.calibrateDays)).toBe(true);
  });
});

describe('version 5', () => {
  it('opens with wishes, a batch, a tank that is stocked slowly, and animals by name', () => {
    const { file } = opened(5);
    expect(headsOfType(mergeRevisions(EMPTY_LOG, file.records), 'wish')[0]?.body.pinned).toBe(
      '2026-05-01',
    );
    expect(headsOfType(mergeRevisions(EMPTY_LOG, file.records), 'batch')).toHaveLength(1);
    expect(
      file.records.some((r) => r.type === 'tank' && r.body.stocking?.pace.rule === 'interval'),
    ).toBe(true);
    expect(
      file.records.some(
        (r) => r.type === 'entry' && r.body.kind === 'animals' && r.body.cause === 'jumped',
      ),
    ).toBe(true);
  });
});

describe('version 6', () => {
  it('opens with daily checks, a medicine by its label, a sponge, a protocol of one’s own', () => {
    const { file } = opened(6);
    const log = mergeRevisions(EMPTY_LOG, file.records);
    expect(log.medicines[0]?.body.target).toEqual({ low: 0.2, high: 0.25 });
    expect(log.protocols[0]?.body.days).toBe(40);
    expect(log.batches.map(({ body }) => body.filter)).toEqual([undefined, 'seeded']);
    const kinds = new Set(
      Object.values(log.entries)
        .flat()
        .map(({ body }) => body.kind),
    );
    for (const kind of ['dailyCheck', 'cleaning', 'sponge', 'medication'] as const)
      expect(kinds).toContain(kind);
  });
});

describe('version 7', () => {
  it('opens with chores, days away, a cost, a closing and why a task was skipped', () => {
    const { file } = opened(7);
    const log = mergeRevisions(EMPTY_LOG, file.records);
    expect(log.chores.map(({ body }) => [body.of, body.off])).toEqual([
      ['waterChange', undefined],
      [undefined, true],
    ]);
    expect(log.absences[0]?.body).toMatchObject({ from: '2026-04-02', minder: 'Ines' });
    expect(log.settings[0]?.body).toMatchObject({ currency: '€', remindHour: 18 });
    const bodies = Object.values(log.entries)
      .flat()
      .map(({ body }) => body);
    expect(bodies).toContainEqual(expect.objectContaining({ kind: 'cost', amount: 48.5 }));
    expect(bodies).toContainEqual(expect.objectContaining({ reason: 'clear still' }));
    expect(bodies.some(({ kind }) => kind === 'closed')).toBe(true);
  });
});

describe('version 8', () => {
  it('opens with the photo of an animal, which lies elsewhere', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(8).file.records);
    expect([...photosShown(log)]).toEqual([expect.stringMatching(/^9f86d0/)]);
  });
});

describe('version 9', () => {
  it('opens with an animal of the keeper’s own, and what was typed of it and no animal has', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(9).file.records);
    expect(log.species[0]?.body).toMatchObject({ adultCm: 500, asTyped: { adultCm: 1e300 } });
  });

  it('takes a tick that nobody set for a label that is silent', () => {
    const raw = JSON.parse(textOf(9)) as { records: { type: string; body: object }[] };
    const label = raw.records.find(({ type }) => type === 'medicine');
    if (!label) throw new Error('no label');
    label.body = { ...label.body, harmsFilter: false };
    const reading = readLogFile(JSON.stringify(raw));
    if (!reading.ok) throw new Error(reading.why);
    const log = mergeRevisions(EMPTY_LOG, reading.file.records);
    expect(log.medicines[0]?.body.harmsFilter).toBe('unknown');
  });
});

describe('version 10', () => {
  it('opens with time without flow, where new water came from, and labels that are silent', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(10).file.records);
    const bodies = Object.values(log.entries)
      .flat()
      .map(({ body }) => body);
    expect(bodies).toContainEqual(expect.objectContaining({ kind: 'standstill', kept: 'closed' }));
    expect(bodies).toContainEqual(expect.objectContaining({ source: 'conditionedTap' }));
    expect(log.medicines.map(({ body }) => body.harmsFilter).sort()).toEqual(['unknown', 'yes']);
  });
});

describe('version 11', () => {
  it('opens with moves between two tanks, new signs, tablets and lime water', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(11).file.records);
    const bodies = Object.values(log.entries)
      .flat()
      .map(({ body }) => body);
    expect(log.batches.some(({ body }) => body.moves?.length === 1)).toBe(true);
    expect(log.protocols.some(({ body }) => body.moves?.count === 4)).toBe(true);
    expect(bodies).toContainEqual(expect.objectContaining({ signs: ['slime', 'intoTheFlow'] }));
    expect(bodies).toContainEqual(expect.objectContaining({ substance: 'kalk' }));
    expect(bodies).toContainEqual(expect.objectContaining({ act: 'given', tablets: 2 }));
    expect(log.medicines.some(({ body }) => body.form === 'tablet')).toBe(true);
  });
});

describe('version 12', () => {
  it('opens with the place of a coral, what was done about growth, and a clean-up animal', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(12).file.records);
    const [coral] = log.positions;
    expect(coral?.body.cohort).toBeDefined();
    expect(entriesOfTank(log, coral?.body.tankId ?? '').map(({ id }) => id)).toContain(
      coral?.body.cohort,
    );
    const bodies = Object.values(log.entries)
      .flat()
      .map(({ body }) => body);
    expect(bodies).toContainEqual(
      expect.objectContaining({ kind: 'growthMeasure', measure: 'blackout' }),
    );
    expect(log.species.map(({ body }) => body.group === 'invertebrate' && body.kept)).toContain(
      'cleanUpCrew',
    );
  });
});

describe('version 13', () => {
  it('opens with a connected instrument, what it rang for, and a reading that knows its spread', () => {
    const log = mergeRevisions(EMPTY_LOG, opened(13).file.records);
    const [monitor] = log.connections;
    const entries = entriesOfTank(log, monitor?.body.tankId ?? '').map(({ body }) => body);
    expect(entries).toContainEqual(
      expect.objectContaining({ kind: 'alarm', connectionId: monitor?.id, worst: 29.4 }),
    );
    expect(entries).toContainEqual(
      expect.objectContaining({
        kitId: monitor?.body.kits.freeAmmonia,
        spread: { minutes: 60, low: 0.003, high: 0.006 },
      }),
    );
  });

  it('is written as it was read', () => {
    const again = writeLogFile(toLogFile(opened(13).file.records, '2026-03-20T12:00:00Z'));
    expect(JSON.parse(again)).toEqual(JSON.parse(textOf(13)));
  });
});
