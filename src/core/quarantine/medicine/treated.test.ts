import { LogBuilder, onDay, testId } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import type { EntryOf } from '../../records/kinds';
import { EMPTY_LOG, mergeRevisions } from '../../records/log';
import type { Medicine } from '../../records/schema/medicine';
import { binderIn, copperIn } from './copper';
import { concentration } from './medicine';
import { medicineEvents, medicineHome, presentIn } from './treated';

const label = (name: string, changes: Partial<Medicine> = {}): Medicine => ({
  name,
  kind: 'copper',
  lowersOxygen: false,
  harmsFilter: 'no',
  harmsInvertebrates: true,
  carbonOut: true,
  reducing: 'no',
  ...changes,
});
const COPPER = { id: testId(700), body: label('Copper', { strength: 10 }) };
const BINDER = { id: testId(701), body: label('Binder', { kind: 'binder', reducing: 'unknown' }) };
const BATH = { id: testId(702), body: label('Bath', { kind: 'other' }) };
const LABELS = [COPPER, BINDER, BATH];

/** A quarantine tank of 100 L with medicines on days, in order. */
function treated() {
  const log = new LogBuilder({ kind: 'quarantine', rock: 'none' });
  const put = (
    day: number,
    { id, body }: (typeof LABELS)[number],
    act: EntryOf<'medication'>['act'],
    more: Partial<EntryOf<'medication'>> = {},
  ) => {
    log.entry(onDay(day), { kind: 'medication', medicineId: id, what: body.name, act, ...more });
    if (act === 'given' && body.kind === 'copper')
      log.entry(onDay(day), { kind: 'treatment', agent: 'copper', product: body.name });
  };
  const history = (day: number) =>
    tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, onDay(day));
  const present = (day: number) =>
    presentIn(history(day), LABELS, onDay(day)).map(({ name }) => name);
  return { log, put, history, present };
}

describe('what is in a tank', () => {
  it('copper stays in under carbon, and goes with a test that read zero', () => {
    const { put, history, present } = treated();
    put(1, COPPER, 'given', { mL: 2 });
    put(5, COPPER, 'carbonIn');
    expect(present(6)).toEqual(['Copper']);
    expect(copperIn(history(6), onDay(6))).toBe('Copper');
    put(7, COPPER, 'measured', { value: 0.05 });
    expect(copperIn(history(8), onDay(8))).toBe('Copper');
    put(9, COPPER, 'measured', { value: 0 });
    expect([present(10), copperIn(history(10), onDay(10))]).toEqual([[], null]);
  });

  it('another medicine goes with carbon, a binder with its time, all with a cleaning', () => {
    const { log, put, present } = treated();
    put(1, BATH, 'given', { mL: 2 });
    put(1, BINDER, 'given', { mL: 2 });
    put(3, BATH, 'carbonIn');
    put(3, BINDER, 'carbonIn');
    expect(present(4)).toEqual(['Binder']);
    expect(present(20)).toEqual([]);
    put(21, COPPER, 'given', { mL: 2 });
    log.entry(onDay(22), { kind: 'cleaning' });
    expect(present(23)).toEqual([]);
  });

  it('a binder that was dosed without a label counts for two weeks, and once', () => {
    const { log, put, history } = treated();
    log.dose(onDay(1), 1, { substance: 'ammoniaBinder', amount: { by: 'mL', mL: 5 } });
    expect(binderIn(history(2).entries, onDay(2))).toBe('An ammonia binder');
    expect(binderIn(history(20).entries, onDay(20))).toBeNull();
    const home = medicineHome(history(2), LABELS, undefined, true, onDay(2));
    expect(home.present.map(({ kind, reducing }) => [kind, reducing])).toEqual([
      ['binder', 'unknown'],
    ]);
    expect(home).toMatchObject({ rock: false, invertebrates: false, filter: 'uncycled' });
    put(2, BINDER, 'given', { mL: 2 });
    log.dose(onDay(2), 1, {
      substance: 'ammoniaBinder',
      amount: { by: 'mL', mL: 2 },
      product: 'Binder',
    });
    const both = medicineHome(history(3), LABELS, undefined, true, onDay(3));
    expect(both.present.map(({ name }) => name)).toEqual(['Binder']);
  });

  it('is diluted by every change since the first of it', () => {
    const { log, put, history } = treated();
    put(1, COPPER, 'given', { mL: 4 });
    log.entry(onDay(2), { kind: 'waterChange', litres: 25, newWater: {} });
    const events = medicineEvents(history(3), COPPER.id);
    expect(concentration(COPPER.body, history(3).netLitres, events)).toBeCloseTo(0.3, 9);
    expect(medicineEvents(history(3), BATH.id)).toEqual([]);
  });
});
