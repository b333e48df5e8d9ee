import fc from 'fast-check';
import { actOfLabel } from './acts';
import { createSettling, SETTLES_MS, type Box, type Sight } from './settling';

const box = (top: number, height = 50): Box => ({ left: 20, top, width: 300, height });
const seen = (sights: Record<string, Sight>) => new Map(Object.entries(sights));
const sight = (one: Box | null, act = 'done', layer: unknown = null): Sight => ({
  box: one,
  shown: one,
  act,
  layer,
});
const at = (top: number, act = 'done') => sight(box(top), act);

function ready(settling: ReturnType<typeof createSettling<string>>, target: string, now: number) {
  const from = settling.readyFrom(target);
  return from !== null && from <= now;
}

describe('what settles', () => {
  it('takes no tap while it is new, and every tap after that', () => {
    const settling = createSettling<string>();
    settling.saw(seen({ a: at(100) }), 1000);
    expect(ready(settling, 'a', 1000 + SETTLES_MS - 1)).toBe(false);
    expect(ready(settling, 'a', 1000 + SETTLES_MS)).toBe(true);
  });

  it('holds back what moved, what does something else, and what comes back into sight', () => {
    const settling = createSettling<string>();
    settling.saw(seen({ a: at(100), b: at(160), c: sight(null, 'c') }), 0);
    settling.saw(seen({ a: at(130), b: at(160, 'stop'), c: at(300, 'c') }), 1000);
    for (const target of ['a', 'b', 'c']) expect(ready(settling, target, 1100)).toBe(false);
  });

  it('leaves what kept its place alone, whatever appears or leaves beside it', () => {
    const settling = createSettling<string>();
    settling.saw(seen({ a: at(100), gone: at(400) }), 0);
    settling.saw(seen({ a: at(100), fresh: at(600) }), 1000);
    expect(ready(settling, 'a', 1000)).toBe(true);
    expect(ready(settling, 'fresh', 1000)).toBe(false);
  });

  it('holds back what was under a sheet that has just closed', () => {
    const settling = createSettling<string>();
    const veil = sight({ left: 0, top: 0, width: 390, height: 844 }, 'close', 'sheet');
    settling.saw(seen({ a: at(100) }), 0);
    settling.saw(seen({ a: at(100), veil }), 1000);
    expect(ready(settling, 'a', 1000)).toBe(true);
    settling.saw(seen({ a: at(100) }), 2000);
    expect(ready(settling, 'a', 2100)).toBe(false);
    // Looked at again meanwhile, it does not begin anew.
    settling.saw(seen({ a: at(100) }), 2200);
    expect(ready(settling, 'a', 2000 + SETTLES_MS)).toBe(true);
  });

  it('holds back a neighbour that grew over where another was', () => {
    const settling = createSettling<string>();
    settling.saw(seen({ a: at(100), b: at(150) }), 0);
    settling.saw(seen({ a: sight(box(100, 90)), b: at(190) }), 1000);
    expect(ready(settling, 'a', 1100)).toBe(false);
  });

  it('leaves alone what lies above: the bar over rows that are scrolled under it, a sheet over the page', () => {
    const settling = createSettling<string>();
    const bar = sight({ left: 0, top: 780, width: 390, height: 64 }, 'Cycle');
    const onSheet = sight(box(300), 'Go on', 'sheet');
    const under = { ...at(790), shown: null };
    settling.saw(seen({ bar, under, onSheet, row: at(300) }), 0);
    settling.saw(seen({ bar, under: { ...at(830), shown: null }, onSheet, row: at(420) }), 1000);
    expect(ready(settling, 'bar', 1000)).toBe(true);
    expect(ready(settling, 'onSheet', 1000)).toBe(true);
  });

  it('goes along with the hand that scrolls', () => {
    const settling = createSettling<string>();
    settling.saw(seen({ a: at(300) }), 0);
    settling.carried(['a'], 0, -120);
    settling.saw(seen({ a: at(180) }), 1000);
    expect(ready(settling, 'a', 1000)).toBe(true);
  });

  it('finds what creeps by a little at a time to have moved in the end', () => {
    const settling = createSettling<string>();
    for (let step = 0; step <= 5; step += 1) settling.saw(seen({ a: at(100 + step * 4) }), step);
    expect(ready(settling, 'a', SETTLES_MS + 2)).toBe(false);
  });

  it('never takes a second tap at a point where the first acted on something else', () => {
    const page = fc.array(fc.record({ id: fc.integer({ min: 0, max: 8 }), act: fc.nat(2) }), {
      maxLength: 9,
    });
    fc.assert(
      fc.property(page, page, fc.nat(8), fc.integer({ min: 0, max: SETTLES_MS - 1 }), (...all) => {
        const [before, after, row, later] = all;
        const laid = (rows: typeof before) =>
          new Map(rows.map(({ id, act }, i) => [String(id), at(100 + i * 60, `act ${act}`)]));
        const settling = createSettling<string>();
        const [first, second] = [laid(before), laid(after)];
        settling.saw(first, 0);
        settling.saw(second, 5000);
        const under = (sights: Map<string, Sight>) =>
          [...sights].find(([, one]) => one.box?.top === 100 + row * 60);
        const [one, other] = [under(first), under(second)];
        if (!other) return;
        const kept = one?.[0] === other[0] && one[1].act === other[1].act;
        expect(ready(settling, other[0], 5000 + later)).toBe(kept);
      }),
    );
  });
});

describe('an act by its label', () => {
  it('stays the same while figures count, and not when the words change', () => {
    expect(actOfLabel('12 drops of 30')).toBe(actOfLabel('13 drops of 30'));
    expect(actOfLabel('Left 4:05')).toBe(actOfLabel('Left 4:06'));
    expect(actOfLabel('Undo')).not.toBe(actOfLabel('Redo'));
  });
});
