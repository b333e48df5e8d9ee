import fc from 'fast-check';
import { CATALOGUE, animalOf } from '../../livestock/catalogue';
import { headsOfType, mergeRevisions, EMPTY_LOG, readLogFile, type Log } from '../..';
import { testId, BARE_TANK } from '../../../testing/logBuilder';
import { keySchema, animalIdSchema, narrowAnimalId, narrowKey } from '../keys';

const OWN = { ...animalOf('firefish'), id: 'own-', names: ['イソギンチャク'], unsure: true };

/** A record as version 8 wrote it. */
function old(n: number, type: string, body: object) {
  return {
    id: testId(n),
    type,
    rev: 1,
    parentRev: null,
    device: 'old',
    actId: testId(500 + n),
    recordedAt: '2026-03-02T09:00:00.000Z',
    body,
  };
}

function opened(records: object[]): Log {
  const text = JSON.stringify({
    format: 'zoarium-log',
    version: 8,
    exportedAt: '2026-03-20T12:00:00Z',
    records: [old(1, 'tank', BARE_TANK), ...records],
  });
  const reading = readLogFile(text);
  if (!reading.ok) throw new Error(reading.why);
  expect(reading.refused).toEqual([]);
  return mergeRevisions(EMPTY_LOG, reading.file.records);
}

const tankId = testId(1);
const at = '2026-03-05T10:00:00Z';
const WIDE = `own-${'a'.repeat(20_000)}`;

describe('the id of an animal that an older log names', () => {
  it('is led to one of the narrow alphabet, and all that refers to it with it', () => {
    const log = opened([
      old(2, 'species', { ...OWN, id: WIDE }),
      old(3, 'wish', { tankId, species: 'Ünïcode "wish"', count: 1, order: 0 }),
      old(4, 'entry', {
        kind: 'animals',
        tankId,
        at,
        move: 'in',
        group: 'fish',
        what: 'It',
        species: 'Ünïcode "wish"',
      }),
      old(5, 'batch', {
        tankId,
        forTankId: tankId,
        protocol: 'my own\nway',
        begunAt: at,
        restartedAt: null,
        animals: [{ what: 'It', species: 'Ünïcode "wish"', count: 1 }],
        endedAt: null,
      }),
      old(6, 'spot', { tankId, species: 'Ünïcode "wish"', what: 'It', x: 1, z: 1, level: 'low' }),
      old(7, 'run', {
        procedure: 'acclimate',
        tankId,
        begunAt: at,
        ended: null,
        given: { 'species/0': 'Ünïcode "wish"', 'what/0': 'It' },
        steps: {},
        clocks: {},
      }),
    ]);
    const id = narrowAnimalId('Ünïcode "wish"');
    expect(animalIdSchema.safeParse(id).success).toBe(true);
    expect(log.species[0]?.body.id).toBe(narrowAnimalId(WIDE));
    expect(log.wishes[0]?.body.species).toBe(id);
    expect(headsOfType(log, 'entry')[0]?.body).toMatchObject({ species: id });
    expect(log.batches[0]?.body).toMatchObject({
      protocol: narrowKey('my own\nway'),
      animals: [{ species: id }],
    });
    expect(log.positions[0]?.body.species).toBe(id);
    expect(log.runs[0]?.body.given['species/0']).toBe(id);
  });

  it('stays as it is where it fits', () => {
    for (const { id } of CATALOGUE) expect(narrowAnimalId(id)).toBe(id);
  });
});

describe('a key that an older log holds', () => {
  it('loses line breaks, and the mark of its task finds it still', () => {
    const clock = 'brew\r\nBEGIN:VEVENT';
    const log = opened([
      old(2, 'run', {
        procedure: 'mix',
        tankId,
        begunAt: at,
        ended: null,
        given: {},
        steps: { 'a\u0000b': { at } },
        clocks: { [clock]: at },
      }),
      old(3, 'entry', { kind: 'taskMark', tankId, at, task: clock, title: 'Brew', how: 'done' }),
    ]);
    const [run] = log.runs;
    const key = Object.keys(run?.body.clocks ?? {})[0] ?? '';
    expect(keySchema.safeParse(key).success).toBe(true);
    expect(Object.keys(run?.body.steps ?? {})).toEqual([narrowKey('a\u0000b')]);
    expect(headsOfType(log, 'entry')[0]?.body).toMatchObject({ task: key });
  });

  it('is narrow whatever it was, the same each time, and apart from others', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', minLength: 1, maxLength: 200 }), (key) => {
        const narrow = narrowKey(key);
        expect(keySchema.safeParse(narrow).success).toBe(true);
        expect(narrowKey(narrow)).toBe(narrow);
      }),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.string({ unit: 'binary', minLength: 1 }), { minLength: 2 }),
        (keys) => {
          expect(new Set(keys.map((key) => narrowKey(key))).size).toBe(keys.length);
        },
      ),
    );
  });
});

describe('a figure that no animal has', () => {
  it('is kept as it was typed, and not used', () => {
    const log = opened([
      old(2, 'species', { ...OWN, adultCm: 1e300, boughtCm: 1e-9, leastLitres: 40 }),
      old(3, 'wish', { tankId, species: 'firefish', count: 1, order: 0, sizeCm: 900_000 }),
      old(4, 'entry', {
        kind: 'animals',
        tankId,
        at,
        move: 'in',
        group: 'fish',
        what: 'It',
        sizeCm: 1e-6,
      }),
    ]);
    expect(log.species[0]?.body).toMatchObject({
      adultCm: 500,
      asTyped: { adultCm: 1e300, boughtCm: 1e-9 },
    });
    expect(log.wishes[0]?.body).toMatchObject({ asTyped: { sizeCm: 900_000 } });
    expect(log.wishes[0]?.body.sizeCm).toBeUndefined();
    expect(headsOfType(log, 'entry')[0]?.body).toMatchObject({ asTyped: { sizeCm: 1e-6 } });
  });

  it('is kept so where it lies within a part of its description as well', () => {
    const temperature = { low: -300, high: 900 };
    const [head] = opened([old(2, 'species', { ...OWN, temperature })]).species;
    expect(head?.body).toMatchObject({
      temperature: { low: -2, high: 40 },
      asTyped: { 'temperature.low': -300, 'temperature.high': 900 },
    });
  });

  it('keeps a name that is far too long beside the letters that are used', () => {
    const [head] = opened([old(2, 'species', { ...OWN, names: ['b'.repeat(20_000)] })]).species;
    expect(head?.body.names[0]).toHaveLength(60);
    expect(String(head?.body.asTyped?.name)).toHaveLength(4000);
  });
});
