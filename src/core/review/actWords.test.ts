import { demoLog } from '../demo/demoLog';
import { tankHistory } from '../history/derive';
import { actsOf, removeRecord, reviseRecord } from '../records/acts';
import { EMPTY_LOG, headOf, headsOfType, mergeRevisions } from '../records/log';
import type { Revision } from '../records/schema/revision';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { actTeller } from './actWords';

const NOW = Date.parse('2026-11-24T12:00:00Z');
let id = 0;
const newId = () => `00000000-0000-7000-8000-${(id += 1).toString(16).padStart(12, '0')}`;
const demo = mergeRevisions(EMPTY_LOG, demoLog({ now: NOW, zone: 'UTC', device: 'x', newId }));
const teller = actTeller(demo, (tankId) => tankHistory(demo, tankId));
const told = actsOf(demo).map(teller);

const say = (revisions: readonly Revision[]): string =>
  actTeller(demo, (tankId) => (headOf(demo, tankId) ? tankHistory(demo, tankId) : null))({
    revisions: [...revisions],
  });
const of = (kind: string) => headsOfType(demo, 'entry').filter(({ body }) => body.kind === kind);
const stamp = { actId: newId(), device: 'x', recordedAt: '2026-11-24T12:00:00Z' };

describe('what an act did', () => {
  it('is told so that one knows it again', () => {
    expect(told).toContain('Water change: 30 % of the net water');
    expect(told.some((words) => /^Daily check: \w+ (well|looks well|eats)/.test(words))).toBe(true);
    // A test session names what it tested and read, all of it.
    expect(told.some((words) => /^Ammonia .* ppm NH4, nitrite .* ppm NO2/.test(words))).toBe(true);
    expect(told.some((words) => /^Logged /.test(words))).toBe(false);
  });

  it('says something of every act of the demo, in one line that ends in no loose end', () => {
    for (const words of told) {
      expect(words).toMatch(/^[A-Z0-9p].*[^:;, ]$/);
      expect(words).not.toMatch(/undefined|null|NaN|\[object|: :|,,/);
    }
  });

  it('tells a correction and what was taken away from what was entered', () => {
    const [change] = of('waterChange');
    if (change?.body.kind !== 'waterChange') throw new Error('no water change');
    const body = { ...change.body, litres: change.body.litres / 2 };
    expect(say([reviseRecord(stamp, change, body)])).toMatch(/^Corrected water change: \d+ % of/);
    expect(say([removeRecord(stamp, change)])).toMatch(/^Took away water change: \d+ % of/);
    const [tank] = demo.tanks;
    if (!tank) throw new Error('no tank');
    expect(say([tank])).toBe(`Added tank ${tank.body.name}`);
  });

  it('counts what is many, with the days that it is of', () => {
    const builder = new LogBuilder();
    for (let day = 1; day <= 20; day += 1) {
      builder.entry(onDay(day), { kind: 'note', text: `Day ${day}` });
    }
    const notes = builder.revisions.filter(
      (one) => one.type === 'entry' && one.body.kind === 'note',
    );
    expect(say(notes)).toBe('20 notes from 3 Mar 2026 to 22 Mar 2026');
  });
});
