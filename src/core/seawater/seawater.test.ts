import fc from 'fast-check';
import {
  conductivityFromSalinity,
  density,
  freeAmmoniaFraction,
  freeAmmoniaLevel,
  salinityFrom,
  salinityFromConductivity,
  salinityFromHydrometer,
  salinityFromSpecificGravity,
  salinityTo,
  SALINITY_UNITS,
  specificGravity,
  type SalinityUnit,
} from '..';

const salinity = fc.double({ min: 0.5, max: 42, noNaN: true });
const temperature = fc.double({ min: 5, max: 35, noNaN: true });

describe('density, EOS-80 at one atmosphere', () => {
  test.each([
    [35, 25, 1023.343],
    [35, 5, 1027.675],
    [0, 25, 997.048],
  ])('S %d at %d °C is %d kg/m³', (s, t, expected) => {
    expect(density(s, t)).toBeCloseTo(expected, 3);
  });

  it('rises with salinity and falls with temperature', () => {
    fc.assert(
      fc.property(salinity, temperature, (s, t) => {
        expect(density(s + 0.1, t)).toBeGreaterThan(density(s, t));
        expect(density(s, t + 0.5)).toBeLessThan(density(s, t));
      }),
    );
  });
});

describe('specific gravity', () => {
  test.each([
    ['sg25', 1.0264],
    ['sg20', 1.0266],
  ] as const)('S 35 on the %s scale is %d', (scale, expected) => {
    expect(specificGravity(35, scale)).toBeCloseTo(expected, 4);
  });

  it('reads 1.025 on d25/25 as about 33.2, not 35', () => {
    expect(Math.abs(salinityFromSpecificGravity(1.025, 'sg25') - 33.2)).toBeLessThan(0.05);
  });

  it('of fresh water is one on every scale', () => {
    for (const scale of ['sg25', 'sg20', 'sg60F'] as const) {
      expect(specificGravity(0, scale)).toBe(1);
    }
  });

  it('read on a hydrometer at its own temperature is the plain scale', () => {
    const reading = specificGravity(35, 'sg25');
    expect(salinityFromHydrometer(reading, 'sg25', 25)).toBeCloseTo(35, 6);
  });

  it('read in warmer water stands for more salt', () => {
    expect(salinityFromHydrometer(1.025, 'sg25', 28)).toBeGreaterThan(
      salinityFromHydrometer(1.025, 'sg25', 25),
    );
  });
});

describe('conductivity, PSS-78', () => {
  it('42.914 mS/cm at 15 °C of the 1968 scale is 35', () => {
    expect(Math.abs(salinityFromConductivity(42.914, 14.9964) - 35)).toBeLessThan(0.001);
  });

  it('53.07 mS/cm at 25 °C is 35 within 0.01', () => {
    expect(Math.abs(salinityFromConductivity(53.07, 25) - 35)).toBeLessThan(0.01);
  });

  it('no conductivity is no salt', () => {
    expect(salinityFromConductivity(0, 25)).toBe(0);
    expect(conductivityFromSalinity(0, 25)).toBe(0);
  });
});

describe('salinity in every unit', () => {
  it('comes back as it went', () => {
    const units = Object.keys(SALINITY_UNITS) as SalinityUnit[];
    fc.assert(
      fc.property(salinity, temperature, fc.constantFrom(...units), (s, t, unit) => {
        expect(salinityFrom(salinityTo(s, unit, t), unit, t)).toBeCloseTo(s, 6);
      }),
    );
  });
});

describe('free ammonia', () => {
  test.each([
    [8.0, 0.0417],
    [8.3, 0.08],
    [7.0, 0.00434],
  ])('at pH %d, 25 °C and S 35 its share is %d', (ph, expected) => {
    const share = freeAmmoniaFraction(ph, 25, 35);
    expect(Math.abs(share - expected) / expected).toBeLessThan(0.005);
  });

  it('is a share, and grows with pH and temperature', () => {
    const ph = fc.double({ min: 6.5, max: 9, noNaN: true });
    fc.assert(
      fc.property(ph, temperature, salinity, (p, t, s) => {
        const share = freeAmmoniaFraction(p, t, s);
        expect(share).toBeGreaterThan(0);
        expect(share).toBeLessThan(1);
        expect(freeAmmoniaFraction(p + 0.1, t, s)).toBeGreaterThan(share);
        expect(freeAmmoniaFraction(p, t + 1, s)).toBeGreaterThan(share);
      }),
    );
  });

  it.each([
    [0, 'comfortable'],
    [0.02, 'comfortable'],
    [0.021, 'watch'],
    [0.06, 'act'],
    [0.1, 'act'],
    [0.15, 'emergency'],
    [0.3, 'emergency'],
  ] as const)('%d mg/L is judged %s', (value, level) => {
    expect(freeAmmoniaLevel(value)).toBe(level);
  });
});
