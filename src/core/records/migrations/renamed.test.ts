import { BARE_TANK, testId } from '../../../testing/logBuilder';
import { parseRecord } from '../file/parse';
import { renamed } from './renamed';

const tankId = testId(1);
const at = '2026-03-05T10:00:00Z';

const old = (type: string, body: object, more: object = {}) => ({
  id: testId(2),
  type,
  rev: 1,
  parentRev: null,
  device: 'old',
  actId: testId(3),
  recordedAt: at,
  body,
  ...more,
});

/** What a record of version 11 is now, through the one door that records come in by. */
function read(record: object) {
  const parsed = parseRecord(record, 11);
  if (!parsed.ok) throw new Error(parsed.why);
  return parsed.records[0];
}

const { doneRule: _rule, ...REST } = BARE_TANK;

describe('a record of version 11', () => {
  it('of a tank has a rule for done, with its days at zero, and a pace by its rule', () => {
    const body = {
      ...REST,
      school: { school: 'bothZeroHeld', holdDays: 14 },
      stocking: { pace: { school: 'interval', days: 21 }, protocol: 'observe' },
      untold: ['rock'],
    };
    expect(read(old('tank', body))?.body).toEqual({
      ...REST,
      doneRule: { rule: 'bothZeroHeld', daysAtZero: 14 },
      stocking: { pace: { rule: 'interval', days: 21 }, protocol: 'observe' },
      notEntered: ['rock'],
    });
  });

  it.each([
    [
      'a look',
      { kind: 'look', tankId, at, lot: testId(9), what: 'It', state: 'well', signs: [] },
      { kind: 'dailyCheck', cohort: testId(9) },
    ],
    [
      'a death',
      { kind: 'animals', tankId, at, move: 'died', group: 'fish', what: 'It', lot: testId(9) },
      { kind: 'animals', cohort: testId(9) },
    ],
    [
      'a response',
      { kind: 'response', tankId, at, measure: 'uv', action: 'ended' },
      { kind: 'growthMeasure', measure: 'uv' },
    ],
  ])('of %s', (_what, body, now) => {
    const opened = read(old('entry', body));
    expect(opened?.body).toMatchObject(now);
    expect(Object.keys(opened?.body ?? {})).not.toContain('lot');
  });

  it('of the place of a coral, and of who is in a batch, names the group it is of', () => {
    const spot = { tankId, what: 'It', species: 'zoanthids', lot: testId(9), x: 1, z: 1 };
    expect(read(old('spot', { ...spot, level: 'low' }))).toMatchObject({
      type: 'position',
      body: { cohort: testId(9) },
    });
    const batch = {
      tankId,
      forTankId: tankId,
      protocol: 'observe',
      begunAt: at,
      restartedAt: null,
      endedAt: null,
    };
    const animals = [{ what: 'It', count: 1, lot: testId(9) }];
    expect(read(old('batch', { ...batch, animals }))?.body).toMatchObject({
      animals: [{ what: 'It', count: 1, cohort: testId(9) }],
    });
  });

  it('that settled a field names it as it is called now, and the number on a bottle stays', () => {
    const settles = ['untold', 'stocking\u0000pace'];
    expect(renamed(old('tank', {}, { settles })).settles).toEqual([
      'notEntered',
      'stocking\u0000pace',
    ]);
    const kit = old('kit', { lot: 'B12' }, { settles: ['lot'] });
    expect(renamed(kit)).toEqual(kit);
  });

  it('of an animal of one’s own that cleans up says so in full', () => {
    expect(renamed(old('species', { kept: 'crew' })).body).toEqual({ kept: 'cleanUpCrew' });
    expect(renamed(old('species', { kept: 'pair' })).body).toEqual({ kept: 'pair' });
  });

  it('of a power cut keeps the step that was ticked off', () => {
    const body = { procedure: 'powerCut', steps: { colony: { done: at } } };
    expect(renamed(old('run', body)).body).toEqual({
      procedure: 'powerCut',
      steps: { filterBacteria: { done: at } },
    });
  });

  it('with names that every object has is left as it is', () => {
    const odd = old('tank', { constructor: 1, toString: 2 }, { settles: ['constructor'] });
    expect(renamed(odd)).toEqual(odd);
    expect(renamed(old('constructor', {})).type).toBe('constructor');
  });

  it('whose body is damaged is left for the schema to refuse', () => {
    for (const body of [null, 7, ['lot'], 'lot']) {
      const damaged = old('tank', body as object);
      expect(renamed(damaged).body).toEqual(body);
    }
  });
});
