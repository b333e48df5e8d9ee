import fc from 'fast-check';
import { exactExp, exactLog, exactNormal, exactPower, sineOfTurns } from './exact';
import { hashText } from './hash';
import { seededRandom } from './random';

const near = (value: number, wanted: number, relative: number) =>
  expect(Math.abs(value - wanted)).toBeLessThanOrEqual(
    relative * Math.max(Math.abs(wanted), 1e-300),
  );

describe('exp, log, powers and sines that are the same everywhere', () => {
  it('agree with reference values', () => {
    near(exactExp(1), 2.718281828459045, 4e-16);
    near(exactExp(-10), 4.5399929762484854e-5, 1e-15);
    near(exactLog(10), 2.302585092994046, 4e-16);
    near(exactLog(0.001), -6.907755278982137, 4e-16);
    near(exactPower(1.08, -3), 0.7938322410201696, 1e-15);
    near(exactPower(10, 8.1), 125892541.17941673, 1e-14);
    expect(sineOfTurns(0.25)).toBe(1);
    near(sineOfTurns(1 / 12), 0.5, 1e-15);
    near(sineOfTurns(-1 / 3), -0.8660254037844386, 1e-15);
  });

  it('stay within their bounds of what the platform gives', () => {
    fc.assert(
      fc.property(fc.double({ min: -700, max: 700, noNaN: true }), (x) =>
        near(exactExp(x), Math.exp(x), 2e-15),
      ),
    );
    fc.assert(
      fc.property(fc.double({ min: 1e-300, max: 1e300, noNaN: true }), (x) => {
        expect(Math.abs(exactLog(x) - Math.log(x))).toBeLessThanOrEqual(
          1e-15 * Math.max(1, Math.abs(Math.log(x))),
        );
      }),
    );
    fc.assert(
      fc.property(fc.double({ min: -10, max: 10, noNaN: true }), (turns) => {
        expect(Math.abs(sineOfTurns(turns) - Math.sin(2 * Math.PI * turns))).toBeLessThan(2e-14);
      }),
    );
  });

  it('hold at the ends of what a number is', () => {
    expect(exactExp(0)).toBe(1);
    expect(exactExp(-800)).toBe(0);
    expect(exactExp(800)).toBe(Infinity);
    expect(exactExp(NaN)).toBeNaN();
    expect(exactLog(1)).toBe(0);
    expect(exactLog(0)).toBe(-Infinity);
    expect(exactLog(-1)).toBeNaN();
    near(exactLog(5e-324), -744.4400719213812, 1e-15);
    near(exactExp(709.7), Math.exp(709.7), 1e-14);
  });

  it('come to the same bits as they always did', () => {
    const random = seededRandom(5);
    const bits = Array.from({ length: 500 }, () => {
      const x = 40 * (random() - 0.5);
      return [exactExp(x), exactLog(random()), sineOfTurns(x), exactNormal(random(), random())];
    });
    expect(hashText(JSON.stringify(bits))).toBe('1a9661c1cf497');
  });

  it('gives normal numbers of mean 0 and spread 1', () => {
    const random = seededRandom(9);
    const drawn = Array.from({ length: 20_000 }, () => exactNormal(random(), random()));
    const mean = drawn.reduce((sum, x) => sum + x, 0) / drawn.length;
    const spread = Math.sqrt(drawn.reduce((sum, x) => sum + (x - mean) ** 2, 0) / drawn.length);
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(spread - 1)).toBeLessThan(0.02);
  });
});
