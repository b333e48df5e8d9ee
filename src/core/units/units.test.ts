import fc from 'fast-check';
import {
  convertLinear,
  dimensionOf,
  formatFixed,
  formatPlain,
  formatSignificant,
  isSalinityUnit,
  linearFromCanonical,
  linearToCanonical,
  listWords,
  parseNumber,
  PARAMETER_IDS,
  PARAMETERS,
  UNITS,
  type LinearUnit,
} from '..';

const units = Object.keys(UNITS) as LinearUnit[];

describe('linear units', () => {
  test.each([
    [1, 'ammonia NH3', 'ammonia N', 14.007 / 17.031],
    [1, 'ammonia NH4', 'ammonia NH3', 17.031 / 18.039],
    [1, 'nitrite NO2', 'nitrite N', 14.007 / 46.005],
    [1, 'nitrate NO3', 'nitrate N', 14.007 / 62.004],
    [1, 'dKH', 'meq/L', 0.35663],
    [1, 'dKH', 'ppm CaCO3', 17.848],
    [1, 'gal', 'L', 3.785412],
    [1, 'in', 'cm', 2.54],
    [1, 'ppm P', 'ppm PO4', 3.066],
    [100, 'ppb P', 'ppm PO4', 0.3066],
    [78, '°F', '°C', 25.5556],
    [-40, '°F', '°C', -40],
  ] as const)('%d %s is %s × %d', (value, from, to, expected) => {
    expect(convertLinear(value, from, to)).toBeCloseTo(expected, 4);
  });

  it('come back as they went', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: -50, max: 5000, noNaN: true }),
        (unit, value) => {
          expect(linearFromCanonical(linearToCanonical(value, unit), unit)).toBeCloseTo(value, 7);
        },
      ),
    );
  });

  it('refuse to turn one thing into another', () => {
    expect(() => convertLinear(1, 'dKH', 'L')).toThrow(RangeError);
  });
});

describe('the parameter registry', () => {
  it.each(PARAMETER_IDS)('%s is read only in units that measure it', (id) => {
    const spec = PARAMETERS[id];
    for (const unit of [...spec.units, spec.canonicalUnit]) {
      expect(dimensionOf(unit)).toBe(spec.dimension);
    }
    const factor = isSalinityUnit(spec.canonicalUnit)
      ? 1
      : linearToCanonical(1, spec.canonicalUnit);
    expect(factor).toBe(1);
    expect(spec.likely.low).toBeGreaterThanOrEqual(spec.possible.low);
    expect(spec.likely.high).toBeLessThanOrEqual(spec.possible.high);
  });
});

describe('numbers as text', () => {
  test.each([
    ['8.2', 8.2],
    ['8,2', 8.2],
    [' 34.8 ', 34.8],
    ['1 024', 1024],
    ['.5', 0.5],
    ['7.', 7],
    ['−3', -3],
  ])('%j is read as %d', (text, value) => {
    expect(parseNumber(text)).toBe(value);
  });

  test.each(['', '.', '8.2.1', 'abc', '8 ppm', '1e5', '--2', 'Infinity'])(
    '%j is not a number',
    (text) => expect(parseNumber(text)).toBeNull(),
  );

  it('reads back what it writes', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
        const read = parseNumber(formatFixed(value, 3));
        expect(read).not.toBeNull();
        expect(Math.abs((read ?? NaN) - value)).toBeLessThanOrEqual(0.000501);
      }),
    );
  });

  it('never writes a negative zero', () => {
    expect(formatFixed(-0.001, 1)).toBe('0.0');
    expect(formatPlain(0.25)).toBe('0.25');
    expect(formatPlain(20)).toBe('20');
    expect(formatSignificant(0.0123, 1)).toBe('0.01');
    expect(formatSignificant(0)).toBe('0');
  });

  it('joins lists as people do', () => {
    expect(listWords(['a'])).toBe('a');
    expect(listWords(['a', 'b', 'c'])).toBe('a, b and c');
    expect(listWords([])).toBe('');
  });
});
