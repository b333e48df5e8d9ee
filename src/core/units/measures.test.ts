import fc from 'fast-check';
import { inMeasures } from './measures';

const US = { volumeUnit: 'gal', lengthUnit: 'in' } as const;
const METRIC = { volumeUnit: 'L', lengthUnit: 'cm' } as const;

describe('measures in a sentence', () => {
  it('are turned into the units that are read, ranges and small ones among them', () => {
    expect(inMeasures('114 L and 90 cm to swim at least; grows to 9 cm.', US)).toBe(
      '30 gal and 35 in to swim at least; grows to 3.5 in.',
    );
    expect(inMeasures('4 to 8 L', US)).toBe('1.1 to 2.1 gal');
    expect(inMeasures('380–760 L an hour', US)).toBe('100–201 gal an hour');
  });

  it('leave alone what is no volume and no length', () => {
    for (const text of ['0.5 mg/L', '2 Lamps', '5 cm/s', '20 mg N a day', 'day 3', 'L 4']) {
      expect(inMeasures(text, US)).toBe(text);
    }
  });

  it('of a metric keeper stay as they are, whatever they are', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9999, noNaN: true }), (value) => {
        const text = `${value.toFixed(1)} L, ${value.toFixed(2)} cm`;
        expect(inMeasures(text, METRIC)).toBe(text);
      }),
    );
  });
});
