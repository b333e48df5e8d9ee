import expert from '../../../testing/expertPlans.json';
import { dayOf, facts, NOW, WIDE } from '../../../testing/planFacts';
import { animalOf } from '../catalogue';
import type { StockFacts } from './facts';
import { planFrom } from './plan';
import type { Plan } from './types';

const MONTH = 30.4 * 86_400_000;

/** What an expert demands of a plan: one of these. */
type Demand = Partial<{
  planned: string;
  refused: string;
  rule: string;
  before: string[];
  apart: string[];
  notBefore: (string | number)[];
  firstFish: string;
  said: string[];
}>;
interface Phase {
  months: number;
  here: { species: string; count: number }[];
  wishes: { species: string; count: number }[];
  demands: Demand[];
}
type Tank = (typeof expert.lists)[number]['tank'];

/** The plan of one phase: of a tank that has run for months, with those here since soon after it was filled. */
function planOf(tank: Tank, { months, here, wishes }: Phase): Plan {
  const { litres, lengthCm, sandCm, temperature, quarantine } = tank;
  const cohorts = here.map(({ species, count }, n): StockFacts['cohorts'][number] => ({
    id: `here${n}`,
    what: species,
    group: animalOf(species)?.group ?? 'fish',
    species,
    arrivedAt: NOW - (months - 1) * MONTH * 0.8,
    here: count,
  }));
  return planFrom(
    facts(wishes, {
      netLitres: litres,
      home: { litres, lengthCm, sandCm, lid: true, temperature },
      start: NOW - months * MONTH,
      cohorts,
      quarantine: [{ id: 'q', name: 'Quarantine', litres: quarantine, clears: null }],
    }),
    WIDE,
  );
}

/** What of a demand a plan does not meet; null where it does. */
function unmet(plan: Plan, demand: Demand): string | null {
  const item = (id: string) => plan.items.find(({ species }) => species === id);
  const refusal = (id: string) => plan.refused.find(({ species }) => species === id);
  const day = (id: string) => {
    const found = item(id);
    return found ? dayOf(found.addOn.p50) : null;
  };
  const { planned, refused, rule, before, apart, notBefore, firstFish, said } = demand;
  if (planned !== undefined && !item(planned)) {
    return `${planned} is refused by ${refusal(planned)?.rule}`;
  }
  if (refused !== undefined) {
    const found = refusal(refused);
    if (!found) return `${refused} is not refused`;
    if (rule !== undefined && found.rule !== rule) return `${refused} is refused by ${found.rule}`;
  }
  if (before) {
    const [first = '', then = ''] = before;
    const [a, b] = [day(first), day(then)];
    if (a === null || b === null || a >= b) return `${first} on day ${a}, ${then} on ${b}`;
  }
  if (apart) {
    const [a, b] = apart.map((id) => item(id)?.batch ?? null);
    if (a !== null && a === b) return `${apart.join(' and ')} share a batch`;
  }
  if (notBefore) {
    const on = day(String(notBefore[0]));
    if (on !== null && on < Number(notBefore[1])) return `${notBefore[0]} on day ${on}`;
  }
  if (firstFish !== undefined) {
    const first = plan.items.find(({ group }) => group === 'fish')?.species;
    if (first !== firstFish) return `${first} comes first`;
  }
  if (said) {
    const [id = '', words = ''] = said;
    const text = [...(item(id)?.cares ?? []), refusal(id)?.because ?? ''].join(' ');
    if (!new RegExp(words, 'i').test(text)) return `of ${id} nothing is said of ${words}`;
  }
  return null;
}

describe('plans that an expert would sign', () => {
  it('of 24 tanks in two phases each meet what is demanded of them', () => {
    const wrong = expert.lists.flatMap(({ name, tank, phases }) =>
      (phases as Phase[]).flatMap((phase, n) => {
        const plan = planOf(tank, phase);
        return phase.demands.flatMap((demand) => {
          const found = unmet(plan, demand);
          return found === null ? [] : [`${name} ${n + 1}: ${found}`];
        });
      }),
    );
    expect(wrong).toEqual([]);
  });
});
