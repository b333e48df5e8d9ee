import fc from 'fast-check';
import { toCanonical } from '../parameters/convert';
import { PARAMETER_IDS } from '../parameters/registry';
import { besideWords, judgeSlip, readSlip } from './slip';

const typed = (text: string) => readSlip(text, []).lines;

describe('a slip', () => {
  it('is read as a counter sends it, as a spreadsheet, and typed line by line', () => {
    const lines = [
      { what: 'Nitrate', value: '4.2', unit: 'mg/L NO3-N' },
      { what: 'Ammonia', value: 'fine', unit: 'ppm' },
    ];
    const sent = JSON.stringify({
      drawnAt: 1000,
      testedAt: 2000,
      lines,
      advice: 'Buy two bottles.',
    });
    expect(readSlip(sent, [])).toEqual({ lines, drawnAt: 1000, testedAt: 2000 });
    const rows = [
      ['Test', 'Result', 'Unit', 'Drawn (UTC)', 'Tested (UTC)'],
      ['Nitrate', '4.2', 'mg/L NO3-N', '2026-03-02 10:00', '2026-03-02 12:30'],
      ['Ammonia', 'fine', 'ppm', '', ''],
      ['', '', '', '', ''],
    ];
    expect(readSlip('', rows)).toEqual({
      lines,
      drawnAt: Date.parse('2026-03-02T10:00Z'),
      testedAt: Date.parse('2026-03-02T12:30Z'),
    });
    expect(typed('Nitrate: 4.2 mg/L NO3-N\nammonia fine\n\nspecific gravity 1.025')).toEqual([
      { what: 'Nitrate', value: '4.2', unit: 'mg/L NO3-N' },
      { what: 'ammonia', value: 'fine', unit: '' },
      { what: 'specific gravity', value: '1.025', unit: '' },
    ]);
  });

  it('keeps figures in their unit and basis, and nothing that the drive changed', () => {
    const judged = judgeSlip(
      typed(
        'nitrate 4.2 mg/L NO3-N\npH 8.0\ntemperature 21 °C\nammonia fine\nalkalinity 150 ppm CaCO3\nadvice buy more',
      ),
      1,
    );
    expect(judged.map(({ parameter, kept, unit }) => [parameter, kept, unit])).toEqual([
      ['nitrate', true, 'nitrate N'],
      ['ph', false, null],
      ['temperature', false, null],
      ['ammonia', false, null],
      ['alkalinity', true, 'ppm CaCO3'],
      [null, false, null],
    ]);
    expect(toCanonical(judged[4]?.value ?? 0, 'ppm CaCO3')).toBeCloseTo(3, 1);
    for (const { kept, why } of judged) if (!kept) expect(why).toMatch(/\.$/);
  });

  it('says where no unit stood on it, and widens ammonia that was hours on the way', () => {
    const [now, later] = [1, 6].map((hours) => judgeSlip(typed('ammonia 0.5'), hours)[0]);
    expect(now?.why).toMatch(/No unit on the slip: read as 0.5 ppm NH4/);
    expect(now?.spread).toBeNull();
    expect(later?.spread).toMatchObject({ minutes: 360, low: 0 });
    expect(later?.spread?.high ?? 0).toBeGreaterThan(1);
    const [asN] = judgeSlip(typed('ammonia 0.5'), 1, {
      0: { unit: 'ammonia N', scaling: 'plain' },
    });
    expect(asN).toMatchObject({ unit: 'ammonia N', why: '' });
  });

  it('keeps what is only bounded as a span, not as its bound', () => {
    const [under, over] = judgeSlip(typed('nitrate <5 mg/L NO3\nphosphate >1 ppm PO4'), 1);
    expect(under).toMatchObject({ value: 2.5, spread: { low: 0, high: 5 } });
    expect(over).toMatchObject({ value: 1, spread: { low: 1, high: 2 } });
    expect(under?.why).toMatch(/^Under 5/);
  });

  it('never shows a zero that could decide a verdict: what it may be off by is more than any zero', () => {
    for (const parameter of PARAMETER_IDS) {
      const [zero] = judgeSlip(
        [{ what: parameter === 'freeAmmonia' ? 'free ammonia' : parameter, value: '0', unit: '' }],
        1,
      );
      if (zero?.kept) expect(zero.accuracy).toBeGreaterThan(0);
    }
    for (const [name, below] of [
      ['ammonia', 0.1],
      ['nitrite', 0.1],
      ['nitrate', 0.3],
      ['phosphate', 0.01],
    ] as const) {
      const [zero] = judgeSlip([{ what: name, value: '0', unit: '' }], 1);
      const width =
        toCanonical(zero?.accuracy ?? 0, zero?.unit ?? 'pH') - toCanonical(0, zero?.unit ?? 'pH');
      expect(width).toBeGreaterThan(below);
    }
  });

  it('of anything at all is read without a crash', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 200 }),
        fc.array(fc.array(fc.string({ maxLength: 20 }), { maxLength: 6 }), { maxLength: 6 }),
        (text, rows) => {
          for (const one of judgeSlip(readSlip(text, rows).lines, 3)) {
            if (one.kept) expect(Number.isFinite(one.value)).toBe(true);
            else expect(one.why).not.toBe('');
          }
        },
      ),
    );
  });
});

it('a shop’s figure beside one’s own is told by how many times, by how much, or as one that agrees', () => {
  expect(besideWords('nitrate', 4.4, 2, 1)).toBe('The shop reads nitrate 2.2 times yours.');
  expect(besideWords('nitrate', 2.4, 2, 1)).toBe('The shop’s nitrate agrees with yours.');
  expect(besideWords('salinity', 33, 35, 1)).toBe('The shop reads salinity 2 ppt below yours.');
});
