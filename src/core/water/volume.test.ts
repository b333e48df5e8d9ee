import fc from 'fast-check';
import { netVolume, volumeDoubt, type TankVolume } from '..';

const box: TankVolume = {
  shell: {
    by: 'dimensions',
    box: { length: 100, width: 50, height: 50, glass: 10, fillGap: 4 },
  },
  rockKg: 18,
  rockDensity: 2,
  sandDepth: 3,
  sump: { by: 'litres', litres: 20 },
  measuredAtFill: null,
};

describe('net water volume', () => {
  it('takes glass, gap, rock and sand from the shell and adds the sump', () => {
    const inner = 98 * 48;
    const water = (inner * (50 - 1 - 4)) / 1000;
    const sand = ((inner * 3) / 1000) * (1.5 / 2.8);
    const volume = netVolume(box);
    expect(volume.gross).toBeCloseTo(250, 6);
    expect(volume.net).toBeCloseTo(water - 9 - sand + 20, 6);
    expect(volume.range.low).toBeLessThan(volume.net);
    expect(volume.range.high).toBeGreaterThan(volume.net);
  });

  it('is the sum of its own working', () => {
    const amount = fc.double({ min: 0, max: 8, noNaN: true });
    fc.assert(
      fc.property(amount, amount, amount, (rockKg, sandDepth, sumpLitres) => {
        const volume = netVolume({
          ...box,
          rockKg,
          sandDepth,
          sump: { by: 'litres', litres: sumpLitres },
        });
        const sum = volume.lines.reduce((total, line) => total + line.litres, 0);
        expect(sum).toBeCloseTo(volume.net, 6);
      }),
    );
  });

  it('of a tank known by its label lies 10 to 25 % under it with usual rock and sand', () => {
    const { net, gross } = netVolume({
      ...box,
      shell: { by: 'label', litres: 200 },
      rockKg: 16,
      sump: null,
    });
    expect(net / gross).toBeGreaterThan(0.75);
    expect(net / gross).toBeLessThan(0.9);
  });

  it('measured at the fill wins, and shows the geometry beside it', () => {
    const volume = netVolume({
      ...box,
      measuredAtFill: { by: 'rate', minutes: 520, litresPerMinute: 0.4 },
    });
    expect(volume.net).toBeCloseTo(208, 6);
    expect(volume.basis).toBe('fill');
    expect(volume.byGeometry).toBeCloseTo(netVolume(box).net, 6);
  });

  it('is never zero or negative, however much rock is claimed', () => {
    expect(netVolume({ ...box, rockKg: 5000 }).net).toBeGreaterThan(0);
    expect(volumeDoubt({ ...box, rockKg: 400 })).toMatch(/less than a quarter/);
  });

  it('doubts a fill far from its geometry, and only then', () => {
    const filled = (litres: number): TankVolume => ({
      ...box,
      measuredAtFill: { by: 'litres', litres },
    });
    expect(volumeDoubt(filled(208))).toBeNull();
    expect(volumeDoubt(filled(20.8))).toMatch(/Check both/);
    expect(volumeDoubt(box)).toBeNull();
  });
});
