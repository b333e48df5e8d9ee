import { mergeRevisions, EMPTY_LOG, headOf, tankHistory, type Entry, type Log } from '../..';
import { verdictOf } from '../../cycle/verdict/verdict';
import { instant } from '../../time/zone';
import { parseRecords } from '../file/parse';
import { BARE_TANK, testId } from '../../../testing/logBuilder';
import { ASSURED } from '../../../testing/assured';

const ZONE = 'Europe/Berlin';
const FLAGS = {
  filledOn: '2026-03-02',
  runningSince: null as string | null,
  light: 'off',
  lid: false,
  heaterVerifiedOn: null as string | null,
};

const { lightPlan: _plan, ...OLD_TANK } = BARE_TANK;

/** A tank as version 2 wrote it, one revision for each change of its flags. */
function oldTank(...changes: [day: string, flags: Partial<typeof FLAGS>][]) {
  let flags = FLAGS;
  return changes.map(([day, change], i) => {
    flags = { ...flags, ...change };
    return {
      id: testId(1),
      type: 'tank',
      rev: i + 1,
      parentRev: i === 0 ? null : i,
      device: 'old',
      actId: testId(50 + i),
      recordedAt: `${day}T09:00:00.000Z`,
      body: {
        ...OLD_TANK,
        zone: ZONE,
        ...flags,
      },
    };
  });
}

const rows = (records: object[]) => records.map((raw) => ({ raw, version: 2 }));

function read(records: object[]): Log {
  const { records: parsed, refused } = parseRecords(rows(records));
  expect(refused).toEqual([]);
  return mergeRevisions(EMPTY_LOG, parsed);
}

const entries = (log: Log, kind: Entry['kind']) =>
  tankHistory(log, testId(1)).entries[kind as 'lid'].map(({ at }) => new Date(at).toISOString());

describe('flags of a tank of version 2', () => {
  const log = () =>
    read(
      oldTank(
        ['2026-03-02', {}],
        ['2026-06-01', { lid: true }],
        ['2026-06-03', { heaterVerifiedOn: '2026-06-02' }],
        ['2026-06-20', { lid: false }],
      ),
    );

  it('become entries dated by their own day, else by the revision that changed them', () => {
    expect(entries(log(), 'filled')).toEqual(['2026-03-01T23:00:00.000Z']);
    expect(entries(log(), 'heaterCheck')).toEqual(['2026-06-01T22:00:00.000Z']);
    expect(entries(log(), 'lid')).toEqual(['2026-06-01T09:00:00.000Z', '2026-06-20T09:00:00.000Z']);
  });

  it('stand in a verdict from their day on, and not before', () => {
    const gate = (at: string) => {
      const history = tankHistory(log(), testId(1), instant(at));
      const verdict = verdictOf(history, instant(at), {}, ASSURED);
      return verdict.criteria.find((criterion) => criterion.id === 'lid')?.state;
    };
    expect(gate('2026-03-10T12:00:00Z')).not.toBe('met');
    expect(gate('2026-06-10T12:00:00Z')).toBe('met');
    expect(gate('2026-06-21T12:00:00Z')).not.toBe('met');
  });

  it('read twice, or in two copies, make no second entry', () => {
    const records = oldTank(['2026-03-02', {}], ['2026-06-01', { lid: true }]);
    const once = read(records);
    const twice = mergeRevisions(once, parseRecords(rows([...records, ...records])).records);
    expect(twice.size).toBe(once.size);
    expect(entries(twice, 'lid')).toHaveLength(1);
  });

  it('a day that was mended is one fact, and one taken back is none', () => {
    const mended = read(oldTank(['2026-03-02', {}], ['2026-03-03', { filledOn: '2026-03-01' }]));
    expect(entries(mended, 'filled')).toEqual(['2026-02-28T23:00:00.000Z']);
    const taken = read(
      oldTank(
        ['2026-03-02', { runningSince: '2026-03-02' }],
        ['2026-03-03', { runningSince: null }],
      ),
    );
    expect(entries(taken, 'running')).toEqual([]);
  });
});

describe('settings', () => {
  const body = {
    volumeUnit: 'L',
    lengthUnit: 'cm',
    massUnit: 'kg',
    theme: 'system',
    bandPreset: 'mixedReef',
    bands: {},
  };
  it('of an older log without a parameter that came later can still be read', () => {
    const log = read([
      {
        id: testId(7),
        type: 'settings',
        rev: 1,
        parentRev: null,
        device: 'old',
        actId: testId(8),
        recordedAt: '2026-03-02T09:00:00.000Z',
        body: { ...body, parameterUnits: { ammonia: 'ammonia NH4' } },
      },
    ]);
    expect(log.settings[0]?.body.parameterUnits).toEqual({ ammonia: 'ammonia NH4' });
    expect(headOf(log, testId(7))).toBeUndefined();
  });
});
