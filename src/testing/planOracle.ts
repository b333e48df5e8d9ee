import { nitrogenOf } from '../core/livestock/food/bioload';
import { bodyGrams, lengthAfter } from '../core/livestock/body';
import { animalOf, type CatalogueAnimal } from '../core/livestock/catalogue';
import { judgeTogether } from '../core/livestock/compatibility/judge';
import { homeFindings } from '../core/livestock/compatibility/homeRules';
import { keptApart, quarantineLitres } from '../core/livestock/sharing';
import type { StockFacts } from '../core/livestock/planner/facts';

const DAY = 86_400_000;
const LAST = 540;

interface One {
  animal: CatalogueAnimal;
  count: number;
  cm: number;
  fish: boolean;
  claims: boolean;
  docile: boolean;
  small: boolean;
  onPods: boolean;
  huntsPods: boolean;
  from: number;
  pin: number | null;
  grams: number[];
}

function table(animal: CatalogueAnimal, cm: number, count: number): number[] {
  return Array.from({ length: LAST + 31 }, (_, age) =>
    animal.group === 'coral' ? 0 : count * nitrogenOf(animal, lengthAfter(animal.adultCm, cm, age)),
  );
}

/**
 * The best plan of a few wishes by trying everything: every subset, every order, every way through
 * one or two quarantine tanks, with no bound to cut it short. For tanks without residents.
 * @returns how many are in it, and the sum of their days
 */
export function bestByTrying(
  facts: StockFacts,
  capacity: (day: number) => number,
): { count: number; sum: number } {
  const wait = facts.quarantineDays;
  const ready = Math.ceil(((facts.ready.p50 ?? Infinity) - facts.at) / DAY);
  const start = facts.start ?? facts.at;
  const tanks = facts.quarantine.map(({ litres }) => litres);
  const all = facts.wishes.flatMap((wish): One[] => {
    const animal = animalOf(wish.species);
    if (!animal) return [];
    const cm = wish.sizeCm ?? (animal.group === 'coral' ? 0 : animal.boughtCm);
    const lodger = { animal, count: wish.count, ...(cm > 0 ? { sizeCm: cm } : {}) };
    if (homeFindings(lodger, facts.home).some(({ severity }) => severity === 'no')) return [];
    const fish = animal.group === 'fish';
    if (fish && wait > 0 && tanks.every((most) => quarantineLitres(animal, cm, wish.count) > most))
      return [];
    const claims =
      animal.group === 'fish' && (animal.temper === 'aggressive' || animal.territory === 'all');
    const old = Math.ceil((start + animal.months * 30.4 * DAY - facts.at) / DAY);
    return [
      {
        animal,
        count: wish.count,
        cm,
        fish,
        claims,
        docile: fish && !claims && animal.months < 6,
        small: animal.group === 'fish' && animal.adultCm <= 25 && bodyGrams(animal, cm) <= 13,
        onPods: animal.group === 'fish' && animal.foods.includes('live pods'),
        huntsPods: animal.group === 'fish' && animal.eatsPods === true,
        from: Math.max(0, ready, animal.months > 0 ? old : 0),
        pin:
          wish.pinned === undefined ? null : Math.round((Date.parse(wish.pinned) - facts.at) / DAY),
        grams: table(animal, cm, wish.count),
      },
    ];
  });
  const lodgerOf = ({ animal, count, cm }: One) => ({
    animal,
    count,
    ...(cm > 0 ? { sizeCm: cm } : {}),
  });
  const forbids = (a: One, b: One, home: StockFacts['home']) =>
    judgeTogether([lodgerOf(a), lodgerOf(b)], home).some(
      ({ severity, between }) => severity === 'no' && between.length > 1,
    );
  const clash = all.map((a) => all.map((b) => a !== b && forbids(a, b, facts.home)));
  const shareless = all.map((a) =>
    all.map((b) => {
      if (a === b) return false;
      return keptApart(lodgerOf(a), lodgerOf(b)) !== null;
    }),
  );

  interface Batch {
    members: number[];
    release: number;
    first: number;
    left: number;
  }
  let best = { count: 0, sum: 0 };
  const days: (number | null)[] = all.map(() => null);
  const load = (day: number, fishOnly: boolean) =>
    all.reduce((sum, one, i) => {
      const came = days[i] ?? null;
      if (came === null || came > day || (fishOnly && !one.fish)) return sum;
      return sum + (one.grams[day - came] ?? 0);
    }, 0);
  const legal = (i: number, day: number, last: number | null, lastCount: number): boolean => {
    const one = all[i] as One;
    const own = one.grams[0] ?? 0;
    if (own > 0 && load(day, false) + own > capacity(day)) return false;
    if (!one.fish) return true;
    const now = load(day, true);
    const month = load(day - 30, true);
    if (now <= 0 && month <= 0 && (one.count > 2 || !one.small)) return false;
    const { pace } = facts.stocking;
    if (pace.rule === 'doubling')
      return (
        (now <= 0 && month <= 0) ||
        (month > 0 && now + own <= month + Math.max(month, 11, (11 * facts.netLitres) / 200) + 1e-9)
      );
    const gap = pace.rule === 'interval' ? pace.days : 7;
    if (last === null || day - last >= gap) return true;
    const small = one.small || load(day - 1, true) > 0;
    return day === last && lastCount + one.count <= 2 && small;
  };
  const go = (
    chosen: number[],
    left: number[],
    at: number,
    sum: number,
    batches: (Batch | null)[],
    last: number | null,
    lastCount: number,
  ): void => {
    if (left.length === 0) {
      if (chosen.length > best.count || (chosen.length === best.count && sum < best.sum)) {
        best = { count: chosen.length, sum };
      }
      return;
    }
    for (const i of left) {
      const one = all[i] as One;
      if (one.claims && left.some((other) => all[other]?.docile)) continue;
      const isTang = ({ animal }: One) =>
        animal.group === 'fish' && animal.family === 'Acanthuridae';
      const cmOf = ({ animal }: One) => (animal.group === 'fish' ? animal.adultCm : 0);
      const smaller = left.some((other) => {
        const there = all[other] as One;
        const byClaim = one.claims === there.claims || one.claims;
        return isTang(one) && isTang(there) && byClaim && cmOf(one) > cmOf(there);
      });
      if (smaller) continue;
      if (one.huntsPods && left.some((other) => other !== i && all[other]?.onPods)) continue;
      const ways: { tank: number | null; join: boolean }[] = [];
      if (!one.fish || wait === 0) ways.push({ tank: null, join: false });
      else {
        tanks.forEach((most, tank) => {
          const size = quarantineLitres(one.animal, one.cm, one.count);
          if (size > most) return;
          ways.push({ tank, join: false });
          const now = batches[tank];
          if (!now || now.members.some((other) => shareless[i]?.[other])) return;
          const held = now.members.reduce((total, other) => {
            const there = all[other] as One;
            return total + quarantineLitres(there.animal, there.cm, there.count);
          }, 0);
          if (held + size <= most) ways.push({ tank, join: true });
        });
      }
      for (const { tank, join } of ways) {
        const now = tank === null ? null : (batches[tank] ?? null);
        const clear =
          tank === null
            ? 0
            : join && now
              ? now.release
              : Math.max(0, (now ? now.left : -3) + 3) + wait;
        let day = Math.max(at, one.from, clear);
        if (one.pin !== null) {
          if (one.pin < day || !legal(i, one.pin, last, lastCount)) continue;
          day = one.pin;
        } else {
          while (day <= LAST && !legal(i, day, last, lastCount)) day += 1;
        }
        if (day > LAST) continue;
        if (join && now && day > now.first + 21) continue;
        days[i] = day;
        const next = batches.map((batch, t): Batch | null =>
          t === tank
            ? {
                members: [...(join && now ? now.members : []), i],
                release: clear,
                first: join && now ? now.first : day,
                left: day,
              }
            : batch,
        );
        const count = one.fish ? (day === last ? lastCount : 0) + one.count : lastCount;
        go(
          [...chosen, i],
          left.filter((other) => other !== i),
          day,
          sum + day,
          next,
          one.fish ? day : last,
          count,
        );
        days[i] = null;
      }
    }
  };
  // Of two that do not bear each other the one that was wished for first.
  const kept: number[] = [];
  all.forEach((one, i) => {
    if (one.from <= LAST && kept.every((other) => !clash[i]?.[other])) kept.push(i);
  });
  for (let mask = 1; mask < 1 << kept.length; mask += 1) {
    const subset = kept.filter((_, i) => mask & (1 << i));
    if (subset.length < best.count) continue;
    go(
      [],
      subset,
      0,
      0,
      tanks.map(() => null),
      null,
      0,
    );
  }
  return best;
}
