import { createRecord } from '../../records/acts';
import type { EntryBody } from '../../records/kinds';
import type { RevisionOf } from '../../records/schema/revision';
import type { Wish } from '../../records/schema/wish';
import { testId } from '../../../testing/logBuilder';
import { fulfilledBy } from './fulfilled';

const STAMP = { actId: testId(1), device: 'test', recordedAt: '2026-03-02T00:00:00.000Z' };
const TANK = testId(2);

function wish(n: number, changes: Partial<Wish> = {}): RevisionOf<'wish'> {
  const body = { tankId: TANK, species: 'firefish', count: 1, order: n, ...changes };
  return createRecord(STAMP, testId(10 + n), 'wish', body) as RevisionOf<'wish'>;
}

const came = (count: number, species = 'firefish'): EntryBody => ({
  kind: 'animals',
  move: 'in',
  group: 'fish',
  what: 'Firefish',
  species,
  count,
});

describe('a wish', () => {
  it('goes when its animal came, by as many as came, the earlier wish first', () => {
    const later = wish(2, { count: 3, pinned: '2026-04-01' });
    const earlier = wish(1);
    const done = fulfilledBy([later, earlier], TANK, came(2));
    expect(done.map(({ wish: of }) => of.id)).toEqual([earlier.id, later.id]);
    expect(done[0]?.left).toBeNull();
    expect(done[1]?.left).toMatchObject({ count: 2 });
    expect(done[1]?.left).not.toHaveProperty('pinned');
  });

  it('of two that come together leaves the other, whichever came', () => {
    const both = wish(1, {
      species: 'yellow-watchman-goby',
      partner: 'tiger-pistol-shrimp',
      sizeCm: 5,
      pinned: '2026-04-01',
    });
    const left = (species: string) => fulfilledBy([both], TANK, came(1, species))[0]?.left;
    expect(left('yellow-watchman-goby')).toEqual({
      tankId: TANK,
      species: 'tiger-pistol-shrimp',
      count: 1,
      order: 1,
    });
    expect(left('tiger-pistol-shrimp')).toEqual({
      tankId: TANK,
      species: 'yellow-watchman-goby',
      sizeCm: 5,
      count: 1,
      order: 1,
    });
  });

  it('of several that come two by two leaves the pairs that have not come, and the other of each that has', () => {
    const pairs = wish(1, {
      species: 'yellow-watchman-goby',
      partner: 'tiger-pistol-shrimp',
      count: 3,
    });
    const done = fulfilledBy([pairs], TANK, came(1, 'yellow-watchman-goby'))[0];
    expect(done?.left).toMatchObject({ partner: 'tiger-pistol-shrimp', count: 2 });
    expect(done?.also).toMatchObject({ species: 'tiger-pistol-shrimp', count: 1 });
    expect(done?.also).not.toHaveProperty('partner');
  });

  it('stays for another animal, another tank, one that leaves, and one nobody named', () => {
    const wishes = [wish(1)];
    expect(fulfilledBy(wishes, TANK, came(1, 'royal-gramma'))).toEqual([]);
    expect(fulfilledBy(wishes, testId(3), came(1))).toEqual([]);
    expect(fulfilledBy(wishes, TANK, { ...came(1), move: 'out' } as EntryBody)).toEqual([]);
    const { species: _none, ...unnamed } = came(1) as Record<string, unknown>;
    expect(fulfilledBy(wishes, TANK, unnamed as unknown as EntryBody)).toEqual([]);
  });
});
