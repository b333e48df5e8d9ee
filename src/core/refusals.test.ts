import { LogBuilder, onDay } from '../testing/logBuilder';
import { facts, WIDE } from '../testing/planFacts';
import { chooseMethod } from './acclimation/method';
import { CLASSES } from './acclimation/waters';
import { tankHistory } from './history/derive';
import { canAdd } from './livestock/add/add';
import { CATALOGUE } from './livestock/catalogue';
import { keptApart } from './livestock/sharing';
import type { StockFacts } from './livestock/planner/facts';
import { planFrom } from './livestock/planner/plan';
import type { NextBest } from './nextBest';
import { medicineConflicts } from './quarantine/medicine/medicine';
import { MEDICINE_KINDS, type Medicine } from './records/schema/medicine';
import { stepsOf, stepText } from './runs/procedure';
import { emergencies, PROCEDURES } from './runs/procedures';
import type { Run } from './records/schema/run';

/** Less of what was refused, offered in its place. */
const MILDER =
  /\b(half|a quarter|a third) (a|the|of a|of the) (dose|label)|\b(a )?(little|small(er)?|low(er)?|weaker) (dose|binder|copper|medicine)|\bless (binder|copper|medicine)\b/i;

/** What is wrong with what is offered in place of a refusal; nothing where it leads on. */
function deadEnd(who: string, rows: readonly NextBest[]): string[] {
  if (rows.length === 0) return [`${who}: nothing instead`];
  return rows.flatMap(({ what, price }) => [
    ...(what.length < 12 || !/[.]$/.test(what) ? [`${who}: "${what}" is no sentence`] : []),
    ...(price.length < 8 || !/[.]$/.test(price) ? [`${who}: "${price}" is no price`] : []),
    ...(MILDER.test(what) ? [`${who}: "${what}" is a milder form`] : []),
  ]);
}

const HOME = facts([]).home;
const MONTH = 30 * 86_400_000;
const resident = (species: string, at: number): StockFacts['cohorts'][number] => ({
  id: species,
  what: species,
  group: CATALOGUE.find(({ id }) => id === species)?.group ?? 'fish',
  species,
  arrivedAt: at - 4 * MONTH,
  here: 1,
});
const { at } = facts([]);
/** Tanks that refuse for every sort of reason. */
const TANKS: Record<string, Partial<StockFacts>> = {
  'a small cold tank without a lid': {
    netLitres: 30,
    home: { ...HOME, litres: 30, lengthCm: 40, sandCm: 0, lid: false, temperature: 21 },
    heater: false,
  },
  'a tank that has not cycled': { isReady: false },
  'a full reef': {
    cohorts: ['maroon-clownfish', 'flame-hawkfish', 'torch-coral', 'picasso-triggerfish'].map(
      (species) => resident(species, at),
    ),
  },
  'a tank of seahorses': {
    cohorts: [resident('kuda-seahorse', at), resident('cleaner-shrimp', at)],
  },
};

const asked = new Map<string, ReturnType<typeof canAdd>[]>();
/** What is said of one of each animal of the catalogue in a tank, asked once for all tests. */
function answersIn(name: keyof typeof TANKS) {
  const known = asked.get(name);
  if (known) return known;
  const answers = CATALOGUE.map(({ id }) =>
    canAdd(facts([], TANKS[name]), null, { species: id, count: 1 }),
  );
  asked.set(name, answers);
  return answers;
}

describe('no refusal is a dead end', () => {
  test.each(Object.keys(TANKS))('in the shop, for %s', (name) => {
    const wrong = answersIn(name).flatMap((answer, place) => {
      const id = CATALOGUE[place]?.id ?? '';
      if (answer.answer === 'yes') return answer.instead.length > 0 ? [`${id}: yes, and not`] : [];
      return [
        ...deadEnd(`${id} in ${name}`, answer.instead),
        ...answer.likeIt.flatMap((other) =>
          CATALOGUE.some((animal) => animal.id === other) && other !== id ? [] : [`${other}?`],
        ),
      ];
    });
    expect(wrong).toEqual([]);
  });

  it('what is named in place of a refused animal is itself refused by nothing but time', () => {
    const full = facts([], TANKS['a full reef']);
    const named = new Set(answersIn('a full reef').flatMap(({ likeIt }) => likeIt));
    expect(named.size).toBeGreaterThan(5);
    for (const id of named) {
      const animal = CATALOGUE.find((one) => one.id === id);
      const least =
        animal?.group === 'fish' && animal.company.kind === 'group'
          ? (animal.company.least ?? 3)
          : 1;
      const { answer } = canAdd(full, null, { species: id, count: least });
      expect([id, answer === 'no']).toEqual([id, false]);
    }
  });

  it('of what a lid or the cycle alone stands against no other animal is named', () => {
    const open = canAdd(facts([], { home: { ...HOME, lid: false } }), null, {
      species: 'ocellaris-clownfish',
      count: 1,
    });
    expect([open.answer, open.rule, open.likeIt]).toEqual(['no', 'lid', []]);
    expect(open.instead.map(({ what }) => what)).toEqual([
      'Fit a lid or mesh first; it can wait in quarantine.',
    ]);
    const unknown = { p10: null, p50: null, p90: null };
    const early = canAdd(facts([], { isReady: false, ready: unknown }), null, {
      species: 'ocellaris-clownfish',
      count: 1,
    });
    expect([early.likeIt, early.instead.length]).toEqual([[], 1]);
  });

  it('in a plan, whatever keeps a wish out', () => {
    const wrong = Object.entries(TANKS).flatMap(([name, changes]) =>
      CATALOGUE.flatMap(({ id }) => {
        const quarantine = [{ id: 'q', name: 'Quarantine', litres: 40, clears: null }];
        const plan = planFrom(facts([id], { ...changes, quarantine }), WIDE);
        return plan.refused.flatMap(({ instead, mend }) => [
          ...deadEnd(`${id} in ${name}`, [instead]),
          ...(MILDER.test(mend) ? [`${id}: ${mend}`] : []),
        ]);
      }),
    );
    expect(wrong).toEqual([]);
  });

  it('in quarantine, of any two fish', () => {
    const fish = CATALOGUE.filter(({ group }) => group === 'fish');
    const wrong = fish.flatMap((a) =>
      fish.flatMap((b) => {
        const found = keptApart({ animal: a, count: 1 }, { animal: b, count: 1 });
        return found ? deadEnd(`${a.id} with ${b.id}`, found.instead ? [found.instead] : []) : [];
      }),
    );
    expect(wrong).toEqual([]);
  });

  it('of medicines: what may not go in here is given elsewhere or held by changes', () => {
    const medicine = (kind: Medicine['kind'], changes: Partial<Medicine> = {}): Medicine =>
      ({ name: kind, kind, label: '', ...changes }) as Medicine;
    const homes = [true, false].flatMap((invertebrates) =>
      [true, false].map((rock) => ({ invertebrates, rock })),
    );
    const blocked = MEDICINE_KINDS.flatMap((kind) =>
      MEDICINE_KINDS.flatMap((other) =>
        homes.flatMap((home) =>
          medicineConflicts(medicine(kind, { harmsInvertebrates: true, reducing: 'unknown' }), {
            ...home,
            present: [medicine(other, { name: 'other', reducing: 'unknown' })],
            filter: 'cycled',
            strongAir: false,
          }).flatMap((conflict) => (conflict.severity === 'blocked' ? [{ kind, conflict }] : [])),
        ),
      ),
    );
    expect(blocked.length).toBeGreaterThan(10);
    expect(blocked.flatMap(({ kind, conflict }) => deadEnd(kind, [conflict.instead]))).toEqual([]);
  });

  it('at the bag, for every class of animal that its water keeps out of the tank', () => {
    const wrong = CLASSES.flatMap((animal) =>
      [20, 26, 29, 32, 38, 42].flatMap((salinity) =>
        [1, 24].flatMap((hoursShipped) => {
          const { method, nextBest } = chooseMethod({
            litres: 2,
            animal,
            hoursShipped,
            bag: { salinity, temperature: 24 },
            tank: { salinity: 35, temperature: 25 },
          });
          return method === 'matchQuarantine' || method === 'cleanDrip'
            ? deadEnd(`${animal} at ${salinity}`, nextBest)
            : [];
        }),
      ),
    );
    expect(wrong).toEqual([]);
  });
});

describe('an emergency never only forbids', () => {
  const histories = [
    null,
    (builder: LogBuilder) => builder,
    (builder: LogBuilder) => {
      builder.entry(onDay(19), { kind: 'treatment', agent: 'copper' });
      return builder;
    },
  ].map((build) => {
    if (!build) return null;
    const builder = build(
      new LogBuilder({ runningSince: '2026-03-02', fishInSince: '2026-03-02' }),
    );
    return tankHistory(builder.log(), builder.tankId, onDay(20));
  });
  const run = (procedure: Run['procedure']): Run => ({
    procedure,
    tankId: '',
    begunAt: new Date(onDay(20)).toISOString(),
    ended: null,
    given: {},
    steps: {},
    clocks: {},
  });
  const FORBIDS = /\b(never|no|not|nothing|neither|none|without)\b/i;

  it('with copper in, the binder that is refused has its next best and the price of it', () => {
    const said = histories.map((history) =>
      stepsOf(PROCEDURES.ammoniaSpike, run('ammoniaSpike'))
        .map((step) => stepText(step, run('ammoniaSpike'), history))
        .find((text) => /binder/.test(text)),
    );
    expect(said[2]).toMatch(/changes of purified water and salt instead.*Its price: up to half/);
    expect(said[0]).toMatch(/never where copper/);
  });

  it('each step that says what not to do says what to do as well, and never less of the same', () => {
    const wrong = emergencies().flatMap(({ id }) =>
      histories.flatMap((history) =>
        stepsOf(PROCEDURES[id], run(id)).flatMap((step) => {
          const text = stepText(step, run(id), history).replaceAll('**', '');
          const parts = text.split(/(?<=[.:;,])\s+/).filter((part) => part.length > 0);
          const does = parts.some((part) => !FORBIDS.test(part)) || step.opens !== undefined;
          return [
            ...(FORBIDS.test(text) && !does ? [`${id}/${step.id}: ${text}`] : []),
            ...(MILDER.test(text) ? [`${id}/${step.id}: ${text}`] : []),
          ];
        }),
      ),
    );
    expect(wrong).toEqual([]);
  });
});
