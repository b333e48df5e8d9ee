import { stepsOf, stepText } from './procedure';
import { tankHistory } from '../history/derive';
import { runSchema, type Run } from '../records/schema/run';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { massOf, steadyAt } from './procedures/build';
import { saltIn } from './procedures/mix';
import { PROCEDURES, type ProcedureId } from './procedures';
import { withClock, withStep } from './procedures/changes';
import { standingOfRun } from './standing';
import { topOffLeftOff } from './procedures/topOff';

const AT = onDay(3);
const iso = (minutes: number) => new Date(AT + minutes * 60_000).toISOString();
const begun = (procedure: ProcedureId, tankId: string): Run => ({
  procedure,
  tankId,
  begunAt: iso(0),
  ended: null,
  given: {},
  steps: {},
  clocks: {},
});
const noting = (run: Run, steps: Record<string, number | string | undefined>) =>
  Object.entries(steps).reduce((all, [id, value]) => withStep(all, id, iso(1), value), run);
const empty = () => new LogBuilder({ filledOn: null, lid: false, heaterVerifiedOn: null });
const of = (builder: LogBuilder) => tankHistory(builder.log(), builder.tankId);
const textOf = (procedure: ProcedureId, id: string, run: Run, builder: LogBuilder) => {
  const found = PROCEDURES[procedure].steps.find((step) => step.id === id);
  return found ? stepText(found, run, of(builder)) : '';
};

describe('mixing salt water', () => {
  const builder = empty();
  const batch = noting(begun('mix', builder.tankId), {
    litres: 100,
    target: 35,
    source: 'purified',
    water: undefined,
    warm: undefined,
  });

  it('begins with nine tenths of the salt, by the usual yield until there is an own one', () => {
    expect(textOf('mix', 'first', batch, builder)).toMatch(/^3\.42 kg: nine tenths of 3\.8 kg/);
    const taught = empty();
    const salinity = { value: 35, unit: 'ppt' } as const;
    taught.entry(onDay(0), { kind: 'saltMix', litres: 10, grams: 400, salinity });
    taught.entry(onDay(0), { kind: 'weighing', what: 'saltCup', count: 1, amount: 250 });
    const words = textOf('mix', 'first', batch, taught);
    expect(words).toMatch(/^3\.6 kg, 14\.4 cups: nine tenths of 4 kg, 16 cups/);
    expect(words).toContain('learned from 1 mixing');
  });

  it('says salt by the litre where the litres were gone past, and nothing of none', () => {
    const unsaid = noting(begun('mix', builder.tankId), { litres: undefined, target: 35 });
    expect(textOf('mix', 'first', unsaid, builder)).toMatch(
      /^34\.2 g for each litre: nine tenths of 38 g at 35 ppt\. How many litres was not noted/,
    );
    const low = noting(unsaid, { first: undefined, measure: 31.5 });
    expect(textOf('mix', 'more', low, builder)).toMatch(/^3\.8 g for each litre are still missing/);
    const high = noting(unsaid, { first: undefined, measure: 37.1 });
    expect(textOf('mix', 'more', high, builder)).toMatch(
      /^Too salty: 0\.06 L of fresh water for each litre/,
    );
  });

  it('knows when the water is made, by the pace of the purifier, and not of water that is bought', () => {
    const timed = empty();
    timed.entry(onDay(0), { kind: 'purified', litres: 10, minutes: 25, waste: 30 });
    const minutes = (source: string) =>
      PROCEDURES.mix.steps
        .find(({ id }) => id === 'water')
        ?.minutes?.(noting(batch, { source }), of(timed));
    expect([minutes('purified'), minutes('shop')]).toEqual([250, 0]);
    expect(textOf('mix', 'water', batch, timed)).toMatch(/take 4\.2 hours, and about 300 L run/);
  });

  it('waits by a clock of its own', () => {
    const first = noting(batch, { first: undefined });
    expect(standingOfRun(first, AT)?.step?.id).toBe('clear');
    const waiting = withClock(first, 'clear', iso(60));
    expect(standingOfRun(waiting, AT)?.step?.id).toBe('clear');
    expect(standingOfRun(waiting, AT + 61 * 60_000)?.step?.id).toBe('measure');
  });

  it('says what is still missing by what this batch has shown of its salt', () => {
    const read = (ppt: number) => noting(batch, { first: undefined, measure: ppt });
    // 3,420 g read as 31.5: 38 g a litre, so 3.5 ppt more take 380 g.
    expect(textOf('mix', 'more', read(31.5), builder)).toMatch(/^380 g are still missing/);
    expect(textOf('mix', 'more', read(34.8), builder)).toMatch(/^Near enough/);
    expect(textOf('mix', 'more', read(37), builder)).toMatch(/^Too salty: 5\.7 L of fresh water/);
  });

  it('ends as one batch in the log, by what went in and the last reading', () => {
    const done = noting(batch, { first: undefined, measure: 31.5, more: 380, second: 35.1 });
    expect(saltIn(done, of(builder))).toBeCloseTo(3800, 6);
    expect(PROCEDURES.mix.leaves?.of(done, of(builder))?.entries).toEqual([
      { kind: 'saltMix', litres: 100, grams: 3800, salinity: { value: 35.1, unit: 'ppt' } },
    ]);
    const bought = noting(done, { source: 'shop' });
    expect(PROCEDURES.mix.leaves?.of(bought, of(builder))).toBeNull();
    expect(textOf('mix', 'first', bought, builder)).toMatch(/^It is salt water already/);
  });

  it('does not pour what reads otherwise at the end', () => {
    expect(textOf('mix', 'agree', noting(batch, { second: 33 }), builder)).toMatch(/do not pour/);
    expect(textOf('mix', 'agree', noting(batch, { second: 35 }), builder)).toMatch(/Match its/);
  });
});

describe('changing water', () => {
  const builder = new LogBuilder();
  const begin = { match: undefined, topOff: undefined, heater: undefined, out: 20 };
  const at = (steps: Record<string, number | undefined>) =>
    standingOfRun(noting(begun('waterChange', builder.tankId), steps), AT + 60_000)?.step?.id;

  it('keeps the top-off unit off until as much salt water is back as went out', () => {
    expect(at(begin)).toBe('in');
    expect(at({ ...begin, in: 20 })).toBe('heaterOn');
    const short = noting(begun('waterChange', builder.tankId), { ...begin, in: 12 });
    expect(at({ ...begin, in: 12 })).toBe('rest');
    expect(textOf('waterChange', 'rest', short, builder)).toMatch(/^8 L of \*\*salt water/);
    expect(at({ ...begin, in: 12, rest: 8, heaterOn: undefined })).toBe('topOn');
  });

  it('logs what went out as a change, and asks for a unit that was left off', () => {
    const run = noting(begun('waterChange', builder.tankId), { ...begin, in: 20 });
    expect(PROCEDURES.waterChange.leaves?.of(run, of(builder))?.entries).toMatchObject([
      { kind: 'waterChange', litres: 20 },
    ]);
    expect(PROCEDURES.waterChange.leaves?.of(begun('waterChange', 'x'), of(builder))).toBeNull();
    const over: Run = { ...run, ended: { at: iso(5), how: 'stopped' } };
    expect(topOffLeftOff(over)).toBe(true);
    expect(topOffLeftOff(noting(over, { topOn: undefined }))).toBe(false);
  });
});

describe('filling', () => {
  it('makes what was counted the water of the tank, and dates the filling', () => {
    const builder = empty();
    const run = noting(begun('fill', builder.tankId), { count: 208 });
    const outcome = PROCEDURES.fill.leaves?.of(run, of(builder));
    expect(outcome?.entries).toEqual([{ kind: 'filled' }]);
    expect(outcome?.volume?.measuredAtFill).toEqual({ by: 'litres', litres: 208 });
    expect(PROCEDURES.fill.leaves?.of(run, of(new LogBuilder()))?.entries).toEqual([]);
    expect(runSchema.safeParse(run).success).toBe(true);
  });

  it('logs nothing before it was counted', () => {
    const builder = empty();
    const run = noting(begun('fill', builder.tankId), { water: undefined, gently: undefined });
    expect(PROCEDURES.fill.leaves?.of(run, of(builder))).toBeNull();
  });
});

describe('building', () => {
  it('weighs what it will weigh', () => {
    const box = { length: 100, width: 50, height: 50, glass: 10, fillGap: 4 };
    const builder = new LogBuilder({
      volume: {
        shell: { by: 'dimensions', box },
        rockKg: 20,
        rockDensity: 2,
        sandDepth: 3,
        sump: null,
        measuredAtFill: { by: 'litres', litres: 200 },
      },
    });
    const mass = massOf(of(builder));
    expect(mass.water).toBeCloseTo(204.8, 6);
    expect(mass.glass).toBeCloseTo(50, 6);
    expect(mass.sand).toBeCloseTo(22.5, 6);
    expect(mass.all).toBeCloseTo(297.3, 6);
    expect(textOf('build', 'stand', begun('build', builder.tankId), builder)).toMatch(/300 kg/);
  });

  it('ticks off what the log shows: lid, heater, filling, a steady day', () => {
    const builder = empty();
    const done = () => {
      const standing = standingOfRun(begun('build', builder.tankId), AT, of(builder));
      return PROCEDURES.build.steps.flatMap(({ id }, i) => (standing?.done[i] ? [id] : []));
    };
    expect(done()).toEqual(['rock']);
    builder.entry(onDay(1), { kind: 'lid', fitted: true });
    builder.entry(onDay(1), { kind: 'heaterCheck' });
    builder.entry(onDay(1), { kind: 'filled' });
    expect(done()).toEqual(['rock', 'offset', 'lid', 'fill']);
    builder.conditions(onDay(1));
    expect(steadyAt(of(builder))).toBeNull();
    builder.digital('thermometer', onDay(2, 13), 25.7);
    builder.digital('refractometer', onDay(2, 13), 35.2);
    expect(done()).toContain('steady');
    builder.digital('thermometer', onDay(2, 14), 27.5);
    expect(done()).not.toContain('steady');
    // Two readings weeks apart are no steady day.
    builder.conditions(onDay(30));
    expect(steadyAt(of(builder))).toBeNull();
  });

  it('says of every step what to do, with a tank and without', () => {
    const builder = empty();
    for (const procedure of Object.values(PROCEDURES)) {
      const run = begun('build', builder.tankId);
      for (const step of procedure.steps) {
        for (const tank of [null, of(builder)]) {
          expect(stepText(step, run, tank)).not.toMatch(/NaN|undefined|Infinity/);
        }
      }
    }
  });
});

test('no step of any procedure tells a figure that nobody noted', () => {
  const builder = empty();
  const found = (Object.keys(PROCEDURES) as ProcedureId[]).flatMap((id) => {
    const run = begun(id, builder.tankId);
    // What is begun by a form of its own has its figures from there.
    if (PROCEDURES[id].begins) return [];
    return [of(builder), null]
      .flatMap((tank) => stepsOf(PROCEDURES[id], run).map((step) => stepText(step, run, tank)))
      .filter((text) =>
        /(?<![\d.,–-])0 (g|kg|mL|L|cups?|drops?|minutes|hours|days)\b|NaN/.test(text),
      )
      .map((text) => `${id}: ${text}`);
  });
  expect(found).toEqual([]);
});
