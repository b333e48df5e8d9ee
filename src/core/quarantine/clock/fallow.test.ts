import fc from 'fast-check';
import { ENTRY_BODIES } from '../../../testing/entryBodies';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { cycleEffect, type EntryBody } from '../../records/kinds';
import { wetInto } from './fallow';

/** What brings filter bacteria and nothing that lived beside fish: bottled, and coated at a maker's. */
function isDry(body: EntryBody): boolean {
  if (body.kind === 'dose') return true;
  return body.kind === 'media' && body.move.to === 'in' && body.move.media === 'coatedRock';
}

/** Whether an entry says that something wet came in, by what it does to a tank. */
function bringsIn(body: EntryBody): boolean {
  const { filterBacteria, animals } = cycleEffect({ ...body, tankId: '', at: '' } as never, {
    netLitres: 100,
    kitOf: () => undefined,
    medicineOf: () => undefined,
  });
  const fish = body.kind === 'animals' && body.group === 'fish';
  return !isDry(body) && !fish && (filterBacteria?.is === 'brought' || animals === 'in');
}

describe('what begins the days without fish anew', () => {
  it('is told of every kind of entry: whatever brings animals or filter bacteria, but for what comes dry', () => {
    const bodies = fc.oneof(...Object.values(ENTRY_BODIES)) as fc.Arbitrary<EntryBody>;
    fc.assert(
      fc.property(bodies, (body) => {
        const log = new LogBuilder();
        log.entry(onDay(20), body);
        const history = tankHistory(log.log(), log.tankId, onDay(30));
        const counted = wetInto(history, onDay(10)).length > 0;
        if (bringsIn(body)) expect([body.kind, counted]).toEqual([body.kind, true]);
        if (isDry(body)) expect([body.kind, counted]).toEqual([body.kind, false]);
      }),
      { numRuns: 300 },
    );
  });

  it('is water of another tank too, which brings no filter bacteria', () => {
    const log = new LogBuilder();
    const change = { kind: 'waterChange', litres: 10, newWater: {} } as const;
    log.entry(onDay(20), { ...change, source: 'otherTank' });
    log.entry(onDay(21), { ...change, source: 'purified' });
    const history = tankHistory(log.log(), log.tankId, onDay(30));
    expect(wetInto(history, onDay(10))).toEqual([onDay(20)]);
  });
});
