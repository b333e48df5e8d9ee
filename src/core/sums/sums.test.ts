import fc from 'fast-check';
import { isChoice, SUMS, SumError, workOut, type Sum, type SumInput } from '.';

type Given = Record<string, number | string>;

function sumOf(id: string): Sum {
  const sum = SUMS.find((s) => s.id === id);
  if (!sum) throw new Error(`no sum ${id}`);
  return sum;
}
const of = (id: string, given: Given) => workOut(sumOf(id), given);
const also = (id: string, given: Given, label: RegExp) =>
  of(id, given).also?.find((a) => label.test(a.label))?.value ?? NaN;

/** Worked by hand, each to the figures that a keeper would get on paper. */
const BY_HAND: [id: string, given: Given, answer: number][] = [
  // 98 × 48 × (50 − 1 − 4) cm is 211.7 L; 18 kg of rock take 9, 3 cm of sand 7.56; 20 in the sump.
  [
    'net-volume',
    { length: 100, width: 50, height: 50, rock: 18, sand: 3, sump: 20 },
    211.68 - 9 - 7.56 + 20,
  ],
  ['floor-load', { litres: 200, glass: 60, rock: 40, stand: 50, length: 100, width: 50 }, 354.8],
  ['sand', { length: 100, width: 50, depth: 4 }, 30],
  ['rock', { mass: 18 }, 9],
  ['turnover', { litres: 200, flow: 2000 }, 10],
  ['drain-down', { length: 100, width: 50, nozzle: 3, pipes: 2, room: 20 }, 17],
  ['rodi', { litres: 120, jug: 2, minutes: 9, waste: 3 }, 9],
  ['salt-mix', { litres: 208 }, 7904],
  ['salt-mix', { litres: 100, salinity: 33, yield: 40 }, 3771.43],
  ['salt-yield', { litres: 50, grams: 1950, salinity: 34.5 }, 39.565],
  ['salinity-raise', { litres: 200, from: 33, with: 40 }, 434.29],
  ['salinity-lower', { litres: 200, from: 36 }, 5.5556],
  ['mineral-at-35', { measured: 400, salinity: 33 }, 424.24],
  ['evaporation', { litres: 100, perDay: 2, days: 7 }, 40.698],
  ['reservoir-in', { litres: 100, reservoir: 20, room: 10 }, 29.1667],
  ['water-change', { litres: 208, share: 15 }, 31.2],
  ['change-series', { litres: 100, now: 40, goal: 10, share: 25 }, 5],
  ['alkalinity', { litres: 200, from: 6.5 }, 12],
  ['alkalinity', { litres: 200, from: 6.5, salt: 'soda ash' }, 7.56],
  ['calcium', { litres: 200, from: 380, to: 420 }, 29.344],
  ['magnesium', { litres: 200, from: 1200, to: 1300 }, 167.3],
  ['magnesium', { litres: 200, from: 1200, to: 1300, salt: 'sulphate' }, 202.8],
  ['consumption', { first: 8.4, second: 7.8, days: 4, added: 1 }, 0.4],
  ['two-part', { litres: 200, used: 0.5, alkaline: 0.05, calcium: 0.36 }, 20],
  ['phosphate', { ppb: 20 }, 0.06132],
  // 416 mg of N; a gram of the salt holds 261.86 mg of it.
  ['ammonia-dose', { litres: 208, rise: 2 }, 15.8865],
  ['ammonia-dose', { litres: 208, rise: 2, form: 'dry salt' }, 1.5886],
  ['media', { litres: 200, light: 100, full: 60 }, 4],
  ['additive', { litres: 208, labelAmount: 5, labelLitres: 100 }, 10.4],
  ['drop-size', { drops: 40, grams: 2 }, 0.05],
  ['dilution', { stock: 10, wanted: 0.5, volume: 200 }, 10],
  ['packs', { litres: 208, per: 75, price: 12 }, 3],
  // 2 m² of glass: 105 W; 0.5 m² of water: 37.5 W dry and 48.1 W by 1.70 L a day; × 1.3.
  ['heater', { length: 100, width: 50, height: 50, room: 18 }, 247.79],
  ['evaporation-guess', { length: 100, width: 50 }, 1.531],
  ['free-ammonia', { total: 1, ph: 8, temperature: 25 }, 0.0417],
  // 1023.34306 over 997.04796 kg/m³, the check values of EOS-80 at 25 °C.
  ['salinity-read', { reading: 1.026372954, scale: 'sg25' }, 35],
  ['hydrometer', { reading: 1.026372954, temperature: 25, scale: 'sg25' }, 35],
];

describe('each sum', () => {
  test.each(BY_HAND)('%s of %j is what it is by hand', (id, given, answer) => {
    expect(of(id, given).answer).toBeCloseTo(answer, answer > 100 ? 1 : 3);
  });

  it('has been worked by hand', () => {
    const worked = new Set(BY_HAND.map(([id]) => id));
    expect(SUMS.filter(({ id }) => !worked.has(id))).toEqual([]);
  });

  it('is one of its own, with a sentence and its working', () => {
    const ids = SUMS.map((sum) => sum.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const [id, given] of BY_HAND) {
      const { sentence, working } = of(id, given);
      expect(sentence).toMatch(/^.{8,}\.$/);
      expect(working.length).toBeGreaterThan(0);
      expect(`${sentence} ${working.join(' ')}`).not.toMatch(/NaN|Infinity|undefined/);
    }
  });

  it('answers every input within its bounds with a number, or says why it cannot', () => {
    const value = (input: SumInput): fc.Arbitrary<number | string> =>
      isChoice(input)
        ? fc.constantFrom(...input.choices)
        : fc.oneof(
            fc.constantFrom(input.low, input.high, input.usual ?? input.low),
            fc.double({ min: input.low, max: input.high, noNaN: true }),
          );
    for (const sum of SUMS) {
      const inputs = fc.record(
        Object.fromEntries(Object.entries(sum.inputs).map(([name, input]) => [name, value(input)])),
      );
      fc.assert(
        fc.property(inputs, (given) => {
          try {
            const { answer, sentence } = workOut(sum, given);
            expect(Number.isFinite(answer)).toBe(true);
            expect(sentence).not.toMatch(/NaN|Infinity/);
          } catch (error) {
            expect(error).toBeInstanceOf(SumError);
            expect((error as Error).message).toMatch(/^.{8,}\.$/);
          }
        }),
        { numRuns: 60 },
      );
    }
  });

  test.each([
    ['salt-mix', {}, /litres is missing/],
    ['salt-mix', { litres: 0 }, /between 0.5 and 20000/],
    ['rodi', { litres: 100, minutes: -4 }, /between 0.1 and 600/],
    ['salt-mix', { litres: 100, depth: 3 }, /does not ask for depth/],
    ['heater', { length: 60, width: 30, height: 30, room: 10, wall: 'paper' }, /glass, acrylic/],
    ['heater', { length: 60, width: 30, height: 30, room: 28 }, /no heater/],
    ['salinity-raise', { litres: 100, from: 33, with: 34 }, /Mix it saltier/],
    ['salinity-raise', { litres: 100, from: 1.025 }, /specific gravity/],
    ['salinity-raise', { litres: 100, from: 36 }, /salinity-lower/],
    ['salinity-lower', { litres: 100, from: 33 }, /salinity-raise/],
    ['salinity-lower', { litres: 100, from: 36, with: 35.5 }, /nothing down/],
    ['salinity-read', { reading: 35, scale: 'sg25' }, /look at the scale/],
    ['evaporation', { litres: 20, perDay: 2, days: 30 }, /fewer days/],
    ['change-series', { litres: 100, now: 40, goal: 5, fresh: 6 }, /never brings/],
    ['change-series', { litres: 100, now: 4, goal: 5 }, /already/],
    ['alkalinity', { litres: 100, from: 9 }, /above that/],
    ['alkalinity', { litres: 100, from: 7, ph: 8.6 }, /above pH 8.5/],
    ['alkalinity', { litres: 100, from: 7, ph: 8.49, salt: 'soda ash' }, /use baking soda/],
    ['alkalinity', { litres: 100, from: 7, to: 12 }, /between 6.5 and 11/],
    ['dilution', { stock: 1, wanted: 2, volume: 10 }, /no stock stronger/],
    ['net-volume', { length: 50, width: 50, height: 30, gap: 40 }, /water line/],
  ])('%s of %j says what is wrong', (id, given, words) => {
    expect(() => of(id, given as Given)).toThrow(SumError);
    expect(() => of(id, given as Given)).toThrow(words);
  });
});

const share = fc.double({ min: 0.01, max: 0.99, noNaN: true });
const volume = fc.double({ min: 10, max: 2000, noNaN: true });
const ppt = fc.double({ min: 5, max: 40, noNaN: true });

describe('salt is conserved', () => {
  it('by an exchange either way', () => {
    fc.assert(
      fc.property(volume, ppt, ppt, share, (litres, a, b, part) => {
        fc.pre(Math.abs(a - b) > 0.1);
        const to = a + part * (b - a);
        const up = b > a;
        const given = { litres, from: a, to, with: b };
        const x = up
          ? also('salinity-raise', given, /Exchanged/)
          : of('salinity-lower', given).answer;
        expect(((litres - x) * a + x * b) / litres).toBeCloseTo(to, 8);
      }),
    );
  });

  it('by adding without taking any out', () => {
    fc.assert(
      fc.property(volume, ppt, ppt, share, (litres, a, b, part) => {
        fc.pre(Math.abs(a - b) > 0.1);
        const to = a + part * (b - a);
        const x = also(
          b > a ? 'salinity-raise' : 'salinity-lower',
          { litres, from: a, to, with: b },
          /without taking/,
        );
        expect((litres * a + x * b) / (litres + x)).toBeCloseTo(to, 8);
      }),
    );
  });

  it('by evaporation, and by a reservoir that runs in', () => {
    fc.assert(
      fc.property(volume, ppt, share, (litres, salinity, part) => {
        const perDay = Math.max(0.01, 0.5 * part * litres * 0.5);
        fc.pre(perDay <= 500);
        const risen = of('evaporation', { litres, salinity, perDay, days: 1 }).answer;
        expect(risen * (litres - perDay)).toBeCloseTo(salinity * litres, 6);
        const back = of('reservoir-in', {
          litres: litres - perDay,
          salinity: Math.min(45, risen),
          reservoir: Math.max(0.1, perDay),
          room: 0,
        }).answer;
        if (risen <= 45 && perDay >= 0.1) expect(back).toBeCloseTo(salinity, 6);
      }),
    );
  });
});

describe('what a sum gives comes back', () => {
  it('salt and its yield', () => {
    fc.assert(
      fc.property(
        volume,
        ppt,
        fc.double({ min: 30, max: 50, noNaN: true }),
        (litres, salinity, g) => {
          const grams = of('salt-mix', { litres, salinity, yield: g }).answer;
          expect(of('salt-yield', { litres, grams, salinity }).answer).toBeCloseTo(g, 8);
        },
      ),
    );
  });

  it('a salinity on every scale', () => {
    for (const scale of ['sg25', 'sg20', 'sg60F', 'mS/cm'] as const) {
      for (let salinity = 10; salinity <= 40; salinity += 2.5) {
        const reading = also(
          'salinity-read',
          { reading: salinity, scale: 'ppt' },
          new RegExp(`${scale}$`),
        );
        expect(of('salinity-read', { reading, scale }).answer).toBeCloseTo(salinity, 3);
      }
    }
  });

  it('a change in one, in many or by flow leaves what was asked for', () => {
    const given = { litres: 100, now: 50, goal: 12, fresh: 2, share: 20 };
    const left = (flow: number) => 2 + 48 * Math.exp(-flow / 100);
    expect(left(also('change-series', given, /flowing/))).toBeCloseTo(12, 9);
    expect(2 + 48 * (1 - also('change-series', given, /one change/) / 100)).toBeCloseTo(12, 9);
    expect(also('change-series', given, /Left/)).toBeLessThanOrEqual(12);
  });
});

describe('what is safe', () => {
  it('spreads a change of salinity over days, the slower where more can be hurt', () => {
    const days = (id: string, living: string) =>
      also(id, { litres: 100, from: id.endsWith('raise') ? 31 : 39, living }, /Days/);
    expect(days('salinity-raise', 'nothing')).toBeNaN();
    expect(days('salinity-raise', 'fish')).toBe(4);
    expect(days('salinity-lower', 'fish')).toBe(2);
    expect(days('salinity-lower', 'invertebrates')).toBe(4);
  });

  it('never raises a mineral faster than a day bears', () => {
    expect(also('alkalinity', { litres: 100, from: 6, to: 8.8 }, /Days/)).toBe(2);
    // As high as that, a whole day's step of soda ash would take pH past 8.5.
    const soda = { litres: 100, from: 7, to: 9.8, salt: 'soda ash' };
    expect(also('alkalinity', { ...soda, ph: 8 }, /Days/)).toBe(2);
    expect(also('alkalinity', { ...soda, ph: 8.3 }, /Days/)).toBeGreaterThan(2);
    expect(also('calcium', { litres: 100, from: 350, to: 420 }, /Days/)).toBe(3);
    expect(also('magnesium', { litres: 100, from: 1000, to: 1320 }, /Days/)).toBe(4);
  });

  it('cautions against more than half of the water at once, and more than a day of a two-part', () => {
    const cautions = (id: string, given: Record<string, number | string>) =>
      (of(id, given).cautions ?? []).join(' ');
    expect(cautions('water-change', { litres: 100, share: 50 })).not.toMatch(/More than half/);
    expect(cautions('water-change', { litres: 100, share: 60 })).toMatch(/More than half/);
    expect(cautions('change-series', { litres: 100, now: 40, goal: 10 })).toMatch(/More than half/);
    const parts = { litres: 100, alkaline: 0.05, calcium: 0.36 };
    expect(cautions('two-part', { ...parts, used: 1 })).not.toMatch(/the most to add by hand/);
    expect(cautions('two-part', { ...parts, used: 2 })).toMatch(/the most to add by hand/);
    expect(cautions('magnesium', { litres: 100, from: 1200, salt: 'sulphate' })).toMatch(/ions/);
  });

  it('says so where a reservoir or a power cut floods', () => {
    expect(of('reservoir-in', { litres: 100, reservoir: 20, room: 5 }).sentence).toMatch(
      /run over/,
    );
    expect(of('drain-down', { length: 100, width: 50, nozzle: 5, room: 10 }).sentence).toMatch(
      /on the floor/,
    );
  });

  it('guesses no less evaporation from drier air, and none from air as damp as the water', () => {
    const guess = (humidity: number, room = 21) =>
      of('evaporation-guess', { length: 100, width: 50, humidity, room }).answer;
    // Half a square metre of quiet water at 25.5 °C in a room of 21 °C: between one and two litres.
    expect(guess(50)).toBeGreaterThan(1);
    expect(guess(50)).toBeLessThan(2);
    expect(guess(30)).toBeGreaterThan(guess(60));
    expect(guess(100, 26)).toBe(0);
  });

  it('asks for a heater that grows with the cold, and less through acrylic', () => {
    const watts = (room: number, wall = 'glass') =>
      of('heater', { length: 100, width: 50, height: 46, room, wall }).answer;
    expect(watts(14)).toBeGreaterThan(250);
    expect(watts(14)).toBeLessThan(450);
    expect(watts(10)).toBeGreaterThan(watts(18));
    expect(watts(14, 'acrylic')).toBeLessThan(watts(14));
  });
});
