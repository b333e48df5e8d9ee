import { nitrogenOf } from '../core/livestock/food/bioload';
import { bodyGrams, lengthAfter } from '../core/livestock/body';
import { animalOf, type CatalogueAnimal } from '../core/livestock/catalogue';
import { judgeTogether } from '../core/livestock/compatibility/judge';
import { keptApartAmong, quarantineLitres } from '../core/livestock/sharing';
import type { StockFacts } from '../core/livestock/planner/facts';

const DAY = 86_400_000;

/** An addition as a plan has it, or as a checker is asked about one. */
export interface Dated {
  wishId: string;
  /** Days from the moment of the facts, which lie at midnight. */
  day: number;
  batch: number | null;
  tank: string | null;
  from: number | null;
}

interface Known extends Dated {
  animal: CatalogueAnimal;
  count: number;
  cm: number;
}

/** Room for the rounding of sums. */
const SLACK = 1.0001;
/** What a small pair makes, mg N a day: no ceiling is lower once there is fish. */
const SMALL_PAIR = 11;

/**
 * What of the hard rules a dated plan breaks: written apart from the planner, from the rules as the
 * docs have them. Facts have no food logged, and no residents but those of the catalogue.
 * @param capacity the largest load on a day, mg N a day
 */
export function brokenRules(
  facts: StockFacts,
  plan: readonly Dated[],
  capacity: (day: number) => number,
): string[] {
  const broken: string[] = [];
  const known = plan.flatMap((dated): Known[] => {
    const wish = facts.wishes.find(({ id }) => id === dated.wishId);
    const animal = wish && animalOf(wish.species);
    if (!wish || !animal || wish.override) return [];
    const cm = wish.sizeCm ?? (animal.group === 'coral' ? 0 : animal.boughtCm);
    return [{ ...dated, animal, count: wish.count, cm }];
  });
  const fish = known.filter(({ animal }) => animal.group === 'fish');
  const residents = facts.cohorts.flatMap((cohort) => {
    const animal = cohort.species === undefined ? undefined : animalOf(cohort.species);
    return animal ? [{ ...cohort, animal, since: (cohort.arrivedAt - facts.at) / DAY }] : [];
  });
  const grown = (animal: CatalogueAnimal, cm: number, days: number) =>
    animal.group === 'coral' ? 0 : nitrogenOf(animal, lengthAfter(animal.adultCm, cm, days));
  const load = (day: number, fishOnly: boolean, upTo: readonly Known[]) =>
    residents
      .filter(({ animal, since }) => since <= day && (!fishOnly || animal.group === 'fish'))
      .reduce(
        (sum, cohort) =>
          sum +
          (cohort.here ?? 1) *
            grown(
              cohort.animal,
              cohort.sizeCm ?? (cohort.animal.group === 'coral' ? 0 : cohort.animal.boughtCm),
              day - cohort.since,
            ),
        0,
      ) +
    upTo
      .filter(({ animal, day: came }) => came <= day && (!fishOnly || animal.group === 'fish'))
      .reduce((sum, one) => sum + one.count * grown(one.animal, one.cm, day - one.day), 0);

  const start = facts.start ?? facts.at;
  for (const one of known) {
    const { animal, day } = one;
    const name = animal.id;
    if (facts.ready.p50 === null || facts.at + day * DAY < facts.ready.p50 - 1) {
      broken.push(`${name} before the tank is ready`);
    }
    if (facts.at + day * DAY < start + animal.months * 30.4 * DAY - 1)
      broken.push(`${name} before its months`);
    // Those of one day may stand in either order.
    const sofar = known.filter(
      (other) => other.day < day || known.indexOf(other) <= known.indexOf(one),
    );
    if (load(day, false, sofar) > capacity(day) * SLACK && grown(animal, one.cm, 0) > 0) {
      broken.push(`${name} above capacity`);
    }
  }
  // Pace of fish.
  const days = [...new Set(fish.map(({ day }) => day))].sort((a, b) => a - b);
  let last = residents
    .filter(({ animal }) => animal.group === 'fish')
    .reduce((latest, { since }) => Math.max(latest, Math.floor(since)), -Infinity);
  for (const day of days) {
    const coming = fish.filter((one) => one.day === day);
    const before = fish.filter((one) => one.day < day);
    const inTank = load(day, true, before);
    const month = load(day - 30, true, before);
    if (inTank === 0) {
      const number = coming.reduce((sum, { count }) => sum + count, 0);
      const small = ({ animal, cm }: Known) =>
        animal.group === 'fish' && animal.adultCm <= 25 && bodyGrams(animal, cm) <= 13;
      if (coming.some((one) => !small(one) || one.count > 2))
        broken.push('a first addition that is too much');
      if (facts.stocking.pace.rule !== 'doubling' && number > 2)
        broken.push('a first day with more than two fish');
      if (facts.stocking.pace.rule === 'doubling' && coming.length > 1)
        broken.push('two wishes as the first');
    } else if (facts.stocking.pace.rule === 'doubling') {
      if (
        load(day, true, [...before, ...coming]) >
        (month > 0 ? month + Math.max(month, SMALL_PAIR * Math.max(1, facts.netLitres / 200)) : 0) *
          SLACK
      )
        broken.push(`food more than doubles on day ${day}`);
    }
    if (
      facts.stocking.pace.rule === 'interval' &&
      inTank > 0 &&
      day - last < facts.stocking.pace.days &&
      day !== last
    ) {
      broken.push(`fish on day ${day}, ${day - last} after the last`);
    }
    last = day;
  }
  // Docile before those that claim ground.
  const claims = ({ animal }: Known) =>
    animal.group === 'fish' && (animal.temper === 'aggressive' || animal.territory === 'all');
  const firstClaim = Math.min(...fish.filter(claims).map(({ day }) => day));
  if (fish.some((one) => !claims(one) && one.animal.months < 6 && one.day > firstClaim)) {
    broken.push('a docile fish after one that claims ground');
  }
  // Of two tangs that claim alike the smaller kind is there first.
  const tangs = fish.filter(({ animal }) => animal.family === 'Acanthuridae');
  for (const one of tangs) {
    const before = tangs.some(
      (other) =>
        claims(one) === claims(other) &&
        one.animal.group === 'fish' &&
        other.animal.group === 'fish' &&
        one.animal.adultCm > other.animal.adultCm &&
        one.day < other.day,
    );
    if (before) broken.push(`${one.animal.id} before a smaller tang`);
  }
  // Quarantine: long enough, one batch at a time, in tanks that hold it.
  const wait = facts.quarantineDays;
  if (wait > 0) {
    const batches = new Map<number, Known[]>();
    for (const one of fish) {
      if (one.batch === null || one.from === null)
        broken.push(`${one.animal.id} without quarantine`);
      else batches.set(one.batch, [...(batches.get(one.batch) ?? []), one]);
      if (one.from !== null && one.day - one.from < wait)
        broken.push(`${one.animal.id} before its quarantine ends`);
    }
    const spans = [...batches.values()].map((members) => ({
      tank: members[0]?.tank,
      from: Math.min(...members.map(({ from }) => from ?? 0)),
      to: Math.max(...members.map(({ day }) => day)),
      litres: members.reduce(
        (sum, one) => sum + quarantineLitres(one.animal, one.cm, one.count),
        0,
      ),
      members,
    }));
    for (const span of spans) {
      const tank = facts.quarantine.find(({ name }) => name === span.tank);
      if (
        span.members.some(({ day }) => day > Math.min(...span.members.map((one) => one.day)) + 21)
      ) {
        broken.push('one that stays on in quarantine for weeks');
      }
      if (span.litres > (tank?.litres ?? 75) + 1e-9) broken.push('a batch larger than its tank');
      if (
        spans.some(
          (other) =>
            other !== span &&
            other.tank === span.tank &&
            other.from >= span.from &&
            other.from < span.to + 3,
        )
      ) {
        broken.push('two batches in one tank at a time');
      }
      const lodgers = span.members.map(({ animal, count, cm }) => ({ animal, count, sizeCm: cm }));
      for (const { between } of keptApartAmong(lodgers)) {
        broken.push(`a batch of ${between.join(' and ')}`);
      }
    }
  }
  // Who lives with whom, and where.
  const everyone = [
    ...residents.map(({ animal, here }) => ({ animal, count: here ?? 1 })),
    ...known.map(({ animal, count, cm }) => ({ animal, count, ...(cm > 0 ? { sizeCm: cm } : {}) })),
  ];
  for (const { severity, rule, between } of judgeTogether(everyone, facts.home)) {
    if (
      severity === 'no' &&
      rule !== 'lid' &&
      between.some((id) => known.some(({ animal }) => animal.id === id))
    ) {
      broken.push(`${rule}: ${between.join(' and ')}`);
    }
  }
  for (const wish of facts.wishes) {
    const one = plan.find(({ wishId }) => wishId === wish.id);
    if (one && wish.pinned !== undefined) {
      const day = Math.round((Date.parse(`${wish.pinned}T00:00:00Z`) - facts.at) / DAY);
      if (day >= 0 && one.day !== day) broken.push(`${wish.species} off its pin`);
    }
  }
  return broken;
}
