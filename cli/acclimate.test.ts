import { runCommand } from './commands';

const WATERS = ['--bag-temp', '22', '--tank-temp', '25.5', '--litres', '2'];
const run = (bag: string, ...more: string[]) =>
  JSON.parse(
    runCommand(['acclimate', '--bag', bag, '--tank', '35 ppt', ...WATERS, ...more], 0),
  ) as Record<string, unknown>;

describe('acclimate', () => {
  it('prints the drip: minutes, rate, pour-offs, litres and the curve', () => {
    const plan = run('37.5 ppt', '--class', 'fish');
    expect(plan).toMatchObject({
      method: 'drip',
      minutes: 50,
      mLPerMinute: 80,
      litresDrawn: 4,
    });
    expect(plan.dropsPerSecond).toBeCloseTo((80 * 20) / 60, 2);
    expect(plan.pourOffs).toEqual([{ minute: 25, litres: 2 }]);
    expect((plan.curve as unknown[])[0]).toEqual({ minute: 0, salinity: 37.5, temperature: 22 });
    expect(plan).not.toHaveProperty('ammoniaFactor');
  });

  it('30 into 35 is matched in quarantine; a shipped bag is opened last', () => {
    expect(run('30 ppt').method).toBe('matchQuarantine');
    const shipped = run('34.5 ppt', '--hours-shipped', '30', '--bag-ph', '7', '--tank-ph', '8.1');
    expect(shipped.method).toBe('quick');
    expect(shipped.ammoniaFactor).toBeGreaterThan(10);
    expect(run('1.0264 sg25', '--one-system').method).toBe('none');
  });

  it('says what is wrong with impossible inputs', () => {
    expect(() => run('80 ppt')).toThrow(/beyond the equations/);
    expect(() => run('55 ppt')).toThrow(/salinity of the bag/);
    expect(() => run('salty')).toThrow(/not a number with a unit/);
    expect(() => run('33 ppt', '--litres', '0')).toThrow(/water must lie between/);
    expect(() => run('33 ppt', '--class', 'dog')).toThrow(/takes fish, coral, shrimp, star/);
    expect(() => run('33 ppt', 'extra')).toThrow(/belongs to no option/);
  });
});
