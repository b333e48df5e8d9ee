import fc from 'fast-check';
import { phPace, steadyEnvironment, temperaturePace, type Environment } from './environment';
import { packEvents, type CycleEvent } from './events';
import { freshStart, typicalParameters, type CycleParameters, type Seed } from './parameters';
import { courseFor, runCycle, type CycleCourse } from './run';
import { draws } from '../../../testing/draws';

const CLEAR = 0.1;

interface Options {
  seed?: Seed;
  dose?: number;
  days?: number;
  temperature?: number;
  alkalinity?: number;
  events?: CycleEvent[];
  parameters?: Partial<CycleParameters>;
  stepsPerDay?: number;
}

function run(options: Options): { course: CycleCourse; environment: Environment } {
  const { seed = 'dryRock', dose = 2, days = 120, temperature = 26, alkalinity = 8 } = options;
  const environment = steadyEnvironment(days, temperature, 8.2, 35, options.stepsPerDay);
  const course = courseFor(environment);
  const events = packEvents([{ step: 0, ammonia: dose }, ...(options.events ?? [])]);
  const parameters = { ...typicalParameters(seed), ...options.parameters };
  runCycle(parameters, environment, events, freshStart(parameters, alkalinity), course);
  return { course, environment };
}

/** First day after which the series stays below clear for good, having been above it. */
function clearsOn(series: Float64Array, stepsPerDay: number): number {
  let last = -1;
  for (let i = 0; i < series.length; i += 1) if ((series[i] ?? 0) >= CLEAR) last = i;
  return last === series.length - 1 ? Infinity : (last + 1) / stepsPerDay;
}

function clearing(options: Options): { ammonia: number; nitrite: number } {
  const { course, environment } = run(options);
  return {
    ammonia: clearsOn(course.ammonia, environment.stepsPerDay),
    nitrite: clearsOn(course.nitrite, environment.stepsPerDay),
  };
}

const within = (value: number, low: number, high: number) => {
  expect(value).toBeGreaterThanOrEqual(low);
  expect(value).toBeLessThanOrEqual(high);
};

describe('the typical filter bacteria, one dose of 2 mg N/L at 26 °C, pH 8.2 and 8 dKH', () => {
  test.each([
    ['dryRock', [13, 19], [34, 44]],
    ['bottle', [6, 9], [15, 20]],
    ['liveRock', [2, 4], [4, 6]],
  ] as const)('on %s clears ammonia on day %j and nitrite on day %j', (seed, ammonia, nitrite) => {
    const days = clearing({ seed });
    within(days.ammonia, ammonia[0], ammonia[1]);
    within(days.nitrite, nitrite[0], nitrite[1]);
  });

  it('is slower for more ammonia than it can use well', () => {
    expect(clearing({ seed: 'bottle', dose: 6 }).nitrite).toBeGreaterThan(
      clearing({ seed: 'bottle' }).nitrite,
    );
  });

  it('takes 1.3 to 1.6 times as long at 21 °C', () => {
    const warm = clearing({});
    const cool = clearing({ temperature: 21 });
    within(cool.nitrite / warm.nitrite, 1.3, 1.6);
  });

  it('takes more than twice as long on 6 mg/L from 3 dKH as from 8, and never ends from 2', () => {
    const at = (alkalinity: number) => clearing({ seed: 'bottle', dose: 6, alkalinity });
    expect(at(3).nitrite).toBeGreaterThan(2 * at(8).nitrite);
    expect(at(2).ammonia).toBe(Infinity);
  });

  it('gets quicker with every dose of 2 mg/L once both are clear', () => {
    const spans: number[] = [];
    const events: CycleEvent[] = [];
    let from = 0;
    for (let dose = 0; dose < 4; dose += 1) {
      const { course, environment } = run({ seed: 'bottle', events, alkalinity: 12 });
      let step = from + 2;
      const last = environment.steps;
      while (
        step < last &&
        ((course.ammonia[step] ?? 0) >= CLEAR || (course.nitrite[step] ?? 0) >= CLEAR)
      ) {
        step += 1;
      }
      spans.push((step - from) / environment.stepsPerDay);
      from = step;
      events.push({ step, ammonia: 2, alkalinity: 0.8 });
    }
    for (let i = 1; i < spans.length; i += 1) {
      expect(spans[i] ?? Infinity).toBeLessThan(spans[i - 1] ?? 0);
    }
    within(spans[0] ?? 0, 15, 20);
    within(spans[1] ?? 0, 2, 6);
    within(spans[3] ?? 0, 1, 3);
  });
});

describe('the filter bacteria', () => {
  it('decays unfed, whatever its size', () => {
    const { course } = run({
      dose: 0,
      days: 30,
      parameters: { capacityA: 5, capacityB: 3, organic: 0 },
    });
    expect(course.capacityA.at(-1)).toBeCloseTo(5 * Math.exp(-0.06 * 30), 6);
    expect(course.capacityB.at(-1)).toBeCloseTo(3 * Math.exp(-0.06 * 30), 6);
  });

  it('decays on each side by its own', () => {
    const { course } = run({
      dose: 0,
      days: 10,
      parameters: { capacityA: 5, capacityB: 3, organic: 0, decayA: 0.02, decayB: 0.2 },
    });
    expect(course.capacityA.at(-1)).toBeCloseTo(5 * Math.exp(-0.2), 6);
    expect(course.capacityB.at(-1)).toBeCloseTo(3 * Math.exp(-2), 6);
  });

  it('shrinks to its ceiling when it is above it, however well fed', () => {
    const events = Array.from({ length: 24 * 60 }, (_, step) => ({
      step,
      ammonia: 0.5,
      alkalinity: 0.2,
    }));
    const { course } = run({
      days: 60,
      events,
      parameters: { capacityA: 12, capacityB: 9, ceiling: 4 },
    });
    expect(course.capacityA.at(-1) ?? 0).toBeLessThan(4);
    expect(course.capacityA.at(-1) ?? 0).toBeGreaterThan(2);
  });

  it('is cut by what kills it, and keeps its place through a water change', () => {
    const before = run({ seed: 'bottle', days: 10 }).course;
    const changed = run({ seed: 'bottle', days: 10, events: [{ step: 240, replaced: 1 }] }).course;
    expect(changed.capacityA[239]).toBe(before.capacityA[239]);
    const killed = run({ seed: 'bottle', days: 10, events: [{ step: 120, survival: 0.1 }] }).course;
    expect((killed.capacityA[121] ?? 0) / (before.capacityA[121] ?? 1)).toBeCloseTo(0.1, 1);
  });

  it('works best warm, not hot, and not in acid', () => {
    expect(temperaturePace(26)).toBe(1);
    expect(temperaturePace(34)).toBeGreaterThan(temperaturePace(30));
    expect(temperaturePace(38)).toBeLessThan(temperaturePace(34));
    expect(temperaturePace(42)).toBe(0);
    expect(phPace(8)).toBeGreaterThan(0.9);
    expect(phPace(6)).toBeLessThan(0.3);
  });
});

describe('whatever is done to the water', () => {
  const seeds = fc.constantFrom<Seed>('dryRock', 'bottle', 'liveRock', 'establishedMedia');
  const event = fc.record({
    step: fc.nat(24 * 40),
    ammonia: fc.double({ min: 0, max: 6, noNaN: true }),
    organic: fc.double({ min: -1, max: 4, noNaN: true }),
    replaced: fc.constantFrom(0, 0, 0, 0.2, 1),
    alkalinity: fc.double({ min: -3, max: 3, noNaN: true }),
    survival: fc.constantFrom(1, 1, 1, 0, 0.3),
  });
  const spec = fc.record({
    seed: seeds,
    dose: fc.double({ min: 0, max: 10, noNaN: true }),
    alkalinity: fc.double({ min: 0, max: 14, noNaN: true }),
    temperature: fc.double({ min: 10, max: 44, noNaN: true }),
    events: fc.array(event, { maxLength: 8 }),
  });

  it('nothing is ever negative or lost to arithmetic', () => {
    fc.assert(
      fc.property(spec, (options) => {
        const { course } = run({ ...options, days: 40 });
        for (const series of Object.values(course) as Float64Array[]) {
          expect(series.every((value) => value >= 0 && Number.isFinite(value))).toBe(true);
        }
      }),
      { numRuns: draws(25) },
    );
  });

  it('nitrogen is conserved to a millionth with sinks off', () => {
    fc.assert(
      fc.property(spec, (options) => {
        const events = options.events.map((e) => ({
          ...e,
          replaced: 0,
          organic: Math.abs(e.organic),
        }));
        const { course } = run({ ...options, events, days: 45 });
        const end = course.ammonia.length - 1;
        const total = (i: number) =>
          (course.ammonia[i] ?? 0) +
          (course.nitrite[i] ?? 0) +
          (course.nitrate[i] ?? 0) +
          (course.organic[i] ?? 0);
        const added = events.reduce((sum, e) => sum + e.ammonia + e.organic, options.dose + 0.15);
        expect(Math.abs(total(end) - added)).toBeLessThanOrEqual(1e-6 * Math.max(1, added));
      }),
      { numRuns: draws(25) },
    );
  });

  it('a complete water change leaves what the new water brings', () => {
    const { course } = run({
      days: 5,
      events: [{ step: 48, replaced: 1, newAmmonia: 0.3, newAlkalinity: 9 }],
    });
    expect(course.ammonia[49] ?? 0).toBeCloseTo(0.3, 2);
    expect(course.nitrate[49] ?? 1).toBeLessThan(1e-3);
    expect(course.alkalinity[49] ?? 0).toBeCloseTo(9, 1);
  });

  it('nitrite oxidisers that sleep wake on nitrite, and do nothing before', () => {
    const parameters = { capacityB: 1, awake: 0 };
    const still = run({ days: 6, dose: 0, parameters: { ...parameters, organic: 0 } });
    expect(still.course.awake.at(-1)).toBe(0);
    const fed = run({ days: 20, parameters });
    const slow = run({ days: 20, parameters: { ...parameters, lag: 8 } });
    const awake = run({ days: 20, parameters: { ...parameters, awake: 1 } });
    const at = ({ course }: typeof fed, day: number) => course.nitrite[day * 24] ?? 0;
    expect(fed.course.awake.at(-1)).toBeGreaterThan(0.9);
    expect(at(slow, 12)).toBeGreaterThan(at(fed, 12));
    expect(at(fed, 8)).toBeGreaterThan(at(awake, 8));
  });

  it('ammonium uses 0.4 dKH for each mg of nitrogen', () => {
    const { course } = run({ seed: 'establishedMedia', days: 30, parameters: { organic: 0 } });
    expect(8 - (course.alkalinity.at(-1) ?? 0)).toBeCloseTo(0.4 * 2, 2);
  });
});

describe('the integrator', () => {
  it('goes on from where it stopped as if it had not', () => {
    const environment = steadyEnvironment(20);
    const parameters = typicalParameters('bottle');
    const events = packEvents([
      { step: 0, ammonia: 2 },
      { step: 100, replaced: 0.4 },
      { step: 100, ammonia: 1 },
    ]);
    const start = freshStart(parameters, 8);
    const whole = courseFor(environment);
    runCycle(parameters, environment, events, start, whole);
    fc.assert(
      fc.property(fc.constantFrom(1, 99, 100, 101, 300), fc.nat(400), (first, more) => {
        const course = courseFor(environment);
        const second = Math.min(environment.steps, first + more);
        const go = (until: number, from: number) =>
          runCycle(parameters, environment, events, start, course, until, from);
        go(first, 0);
        go(second, first);
        go(environment.steps, second);
        expect(course).toEqual(whole);
      }),
      { numRuns: draws(20) },
    );
  });

  it('gives the same milestones, to a few hours, with half the step', () => {
    for (const seed of ['dryRock', 'bottle', 'liveRock'] as const) {
      const whole = clearing({ seed });
      const half = clearing({ seed, stepsPerDay: 48 });
      expect(Math.abs(whole.ammonia - half.ammonia)).toBeLessThan(0.25);
      expect(Math.abs(whole.nitrite - half.nitrite)).toBeLessThan(0.4);
    }
  });

  it('agrees with an independent one: explicit Runge–Kutta of the same equations', () => {
    const p = typicalParameters('bottle');
    const reference = rungeKutta(p, 2, 8, 30, 0.002);
    const { course } = run({ seed: 'bottle', days: 30, stepsPerDay: 24 });
    for (const day of [3, 6, 10, 14, 18, 25]) {
      const [A = 0, I = 0, N = 0] = reference[day] ?? [];
      expect(Math.abs((course.ammonia[day * 24] ?? 0) - A)).toBeLessThan(0.06);
      expect(Math.abs((course.nitrite[day * 24] ?? 0) - I)).toBeLessThan(0.08);
      expect(Math.abs((course.nitrate[day * 24] ?? 0) - N)).toBeLessThan(0.08);
    }
  });
});

/** The equations as docs/science.md writes them, by classical Runge–Kutta; states at whole days. */
function rungeKutta(
  p: CycleParameters,
  dose: number,
  alkalinity: number,
  days: number,
  dt: number,
) {
  const environment = steadyEnvironment(1);
  const pace = environment.pace[0] ?? 1;
  const share = environment.freeShare[0] ?? 0;
  const slope = ([
    A = 0,
    I = 0,
    _N = 0,
    O = 0,
    alk = 0,
    Ca = 0,
    Cb = 0,
    u = 1,
  ]: number[]): number[] => {
    const e = (pace * alk) / (1.5 + alk);
    const ra = (Ca * e * A) / (p.halfA + A);
    const eB = e / (1 + (A * share) / p.inhibition);
    const rb = (Cb * u * eB * I) / (p.halfB + I);
    const m = p.mineralisation * O;
    return [
      m - ra,
      ra - rb,
      rb,
      -m,
      0.2 * m - 0.4 * ra,
      Ca * ((p.growthA * e * A * (1 - Ca / p.ceiling)) / (p.halfA + A) - p.decayA),
      Cb * ((p.growthB * u * eB * I * (1 - Cb / p.ceiling)) / (p.halfB + I) - p.decayB),
      ((1 - u) / p.lag) * (I / (I + 0.05)),
      0,
    ];
  };
  let state = [dose, 0, 0, p.organic, alkalinity, p.capacityA, p.capacityB, p.awake];
  const found: Record<number, number[]> = { 0: state };
  const perDay = Math.round(1 / dt);
  for (let step = 1; step <= days * perDay; step += 1) {
    const at = (k: number[], h: number) => state.map((value, i) => value + h * (k[i] ?? 0));
    const k1 = slope(state);
    const k2 = slope(at(k1, dt / 2));
    const k3 = slope(at(k2, dt / 2));
    const k4 = slope(at(k3, dt));
    state = state.map(
      (value, i) =>
        value + (dt / 6) * ((k1[i] ?? 0) + 2 * (k2[i] ?? 0) + 2 * (k3[i] ?? 0) + (k4[i] ?? 0)),
    );
    if (step % perDay === 0) found[step / perDay] = state;
  }
  return found;
}
