import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { litresFor, readinessOf } from './readiness';

const linesOf = (builder: LogBuilder, day: number) =>
  readinessOf(tankHistory(builder.log(), builder.tankId, onDay(day)), onDay(day));
const shown = (builder: LogBuilder, day: number) =>
  Object.fromEntries(linesOf(builder, day).map(({ id, shown: seen }) => [id, seen]));

describe('what a quarantine tank needs', () => {
  it('is summed for its size', () => {
    const text = new Map(
      linesOf(new LogBuilder({ kind: 'quarantine' }), 1).map((line) => [line.id, line.text]),
    );
    // 100 L: five to ten times an hour, a watt a litre, 25 cm of fish, a third of it waiting.
    expect(text.get('filter')).toMatch(/^500 to 1000 L an hour/);
    expect(text.get('heater')).toMatch(/^About 100 W/);
    expect(text.get('bare')).toMatch(/100 L hold about 25 cm of fish/);
    expect(text.get('water')).toMatch(/^A third of it, 34 L/);
  });

  it('shows what the log has seen, and leaves the rest to the keeper', () => {
    const builder = new LogBuilder({ kind: 'quarantine', lid: false, heaterVerifiedOn: null });
    expect(shown(builder, 3)).toMatchObject({ heater: false, cover: false, test: null, air: null });
    builder.entry(onDay(2), { kind: 'heaterCheck' });
    builder.entry(onDay(2), { kind: 'lid', fitted: true });
    builder.ammonia(onDay(2), 0);
    builder.entry(onDay(2), { kind: 'sponge', move: 'working' });
    builder.entry(onDay(2), {
      kind: 'saltMix',
      litres: 40,
      grams: 1500,
      salinity: { value: 35, unit: 'ppt' },
    });
    const seen = { heater: true, cover: true, test: true, filter: true, water: true };
    expect(shown(builder, 3)).toMatchObject(seen);
    // A test and mixed water are soon too old; a heater is not.
    expect(shown(builder, 20)).toMatchObject({ heater: true, test: null, water: null });
    expect(shown(builder, 90)).toMatchObject({ heater: false });
  });

  it('grows with the fish, and is no thimble for the smallest', () => {
    expect(litresFor(3, 1)).toEqual({ low: 40, high: 60 });
    expect(litresFor(10, 2)).toEqual({ low: 80, high: 128 });
  });
});
