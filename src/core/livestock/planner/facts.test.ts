import { testId } from '../../../testing/logBuilder';
import { demoLog } from '../../demo/demoLog';
import { tankHistory } from '../../history/derive';
import { createRecord, reviseRecord } from '../../records/acts';
import type { Entry } from '../../records/kinds';
import type { DailyCheckEntry } from '../../records/kinds/dailyCheck';
import { EMPTY_LOG, mergeRevisions, type Log } from '../../records/log';
import { dayOf } from '../../time/zone';
import { factsOf } from './facts';
import { keptPlan, planMoves } from './search/moves';
import { planFrom } from './plan';
import { stockSource, stockSourceSchema } from './source';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const WIDE = { days: [0, 540], most: [5, 5] };
let made = 0;
const demo = mergeRevisions(
  EMPTY_LOG,
  demoLog({ now: NOW, zone: 'UTC', device: 'test', newId: () => testId((made += 1)) }),
);
const fulmar = demo.tanks.find(({ body }) => body.name === 'Fulmar')?.id ?? '';
const planned = (log: Log) => {
  const source = stockSource(log, tankHistory(log, fulmar, NOW), NOW, {
    ready: true,
    forecast: null,
  });
  return planFrom(factsOf(stockSourceSchema.parse(JSON.parse(JSON.stringify(source)))), WIDE);
};

describe('who is in quarantine for a tank', () => {
  it('takes the place of the wish, and comes on the day its batch is clear', () => {
    const plan = planned(demo);
    const firefish = plan.items.filter(({ species }) => species === 'firefish');
    expect(firefish).toHaveLength(1);
    expect(dayOf(firefish[0]?.addOn.p50 ?? 0, 'UTC')).toBe('2026-12-05');
    expect(firefish[0]).toMatchObject({ rule: 'quarantine', quarantineFrom: null });
    expect(firefish[0]?.because).toMatch(/^Its batch in Spare tank is clear that day/);
    expect(firefish[0]?.addOn.p90).toBeGreaterThan(firefish[0]?.addOn.p50 ?? Infinity);
  });

  it('is not planned any more once it died there', () => {
    const batch = demo.batches.find(({ body }) => body.protocol === 'observe' && !body.endedAt);
    const fish = batch?.body.animals.find(({ species }) => species === 'firefish');
    const died: Entry = {
      kind: 'animals',
      move: 'died',
      tankId: batch?.body.tankId ?? '',
      at: '2026-11-24T11:00:00Z',
      group: 'fish',
      cohort: fish?.cohort ?? '',
      what: fish?.what ?? '',
      species: 'firefish',
      count: 1,
    };
    const stamp = { actId: testId(90_001), device: 'test', recordedAt: '2026-11-24T11:00:00Z' };
    const after = mergeRevisions(demo, [createRecord(stamp, testId(90_002), 'entry', died)]);
    const firefish = planned(after).items.filter(({ species }) => species === 'firefish');
    // Its wish stands, and would be another one's.
    expect(firefish.map(({ quarantineFrom }) => quarantineFrom !== null)).toEqual([true]);
  });

  it('is released by the readings that its protocol holds it to', () => {
    const batch = demo.batches.find(({ body }) => body.protocol === 'observe' && !body.endedAt);
    if (!batch) throw new Error('no batch');
    const stamp = { actId: testId(90_001), device: 'test', recordedAt: '2026-11-24T11:00:00Z' };
    const low = reviseRecord(stamp, batch, { ...batch.body, protocol: 'lowSalinity' });
    const firefish = planned(mergeRevisions(demo, [low])).items.find(
      ({ species }) => species === 'firefish',
    );
    // Nobody has held the salinity low yet: thirty days of it lie ahead at least.
    const ahead = (firefish?.addOn.p50 ?? 0) - Date.parse('2026-11-24T11:00:00Z');
    expect(ahead).toBeGreaterThan(29 * 86_400_000);
  });

  it('moves with a sign in any of its batch, and the plan says what moved', () => {
    const batch = demo.batches.find(({ body }) => body.protocol === 'observe' && !body.endedAt);
    const blenny = batch?.body.animals[1];
    const sign: DailyCheckEntry = {
      kind: 'dailyCheck',
      tankId: batch?.body.tankId ?? '',
      at: '2026-11-24T11:00:00Z',
      cohort: blenny?.cohort ?? '',
      what: blenny?.what ?? '',
      state: 'sign',
      signs: ['whiteGrains'],
    };
    const stamp = { actId: testId(90_001), device: 'test', recordedAt: '2026-11-24T11:00:00Z' };
    const after = mergeRevisions(demo, [createRecord(stamp, testId(90_002), 'entry', sign)]);
    const moves = planMoves(keptPlan(planned(demo)), planned(after));
    const moved = moves.find(({ name }) => name === 'Firefish');
    expect(moved?.because).toMatch(/begun anew \(Tailspot blenny: white grains\)/);
    expect((moved?.to ?? 0) - (moved?.from ?? 0)).toBeGreaterThan(20 * 86_400_000);
  });
});
