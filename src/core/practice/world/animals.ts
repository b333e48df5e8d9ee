import type { Chance } from './chance';
import { exactFreeShare } from './nitrogen';
import type { Nature } from './nature';
import {
  HARDSHIPS,
  inWater,
  salinityNow,
  type Dwellers,
  type Hardship,
  type WorldState,
} from './state';

/** mg of nitrogen that a gram of fish makes in a day of its usual ration: 3 % dry food, 45 % protein, × 0.12. */
export const N_PER_GRAM = 1000 * 0.03 * 0.45 * 0.12;

/** What a strain is by, each hour; all of it judgement, held to what keepers know of quick and slow deaths. */
interface Tolerance {
  /** Free ammonia that is borne, mg N/L, and the excess that kills within a day. */
  ammonia: { borne: number; kills: number };
  /** Oxygen under which one labours, mg/L. */
  oxygen: number;
  temperature: readonly [low: number, high: number];
  salinity: readonly [low: number, high: number];
}

const TOLERANCES: Record<Dwellers['group'], Tolerance> = {
  fish: {
    ammonia: { borne: 0.025, kills: 0.5 },
    oxygen: 4,
    temperature: [21, 29.5],
    salinity: [25, 40],
  },
  invertebrate: {
    ammonia: { borne: 0.02, kills: 0.4 },
    oxygen: 4,
    temperature: [21, 29],
    salinity: [31, 38],
  },
  coral: {
    ammonia: { borne: 0.05, kills: 0.4 },
    oxygen: 3.5,
    temperature: [22, 29],
    salinity: [32, 38],
  },
};

const outside = (value: number, [low, high]: readonly [number, number]): number =>
  value < low ? low - value : value > high ? value - high : 0;

/** What each hardship adds in this hour. */
export function hardshipsOf(
  state: WorldState,
  hour: number,
  group: Dwellers['group'],
): Record<Hardship, number> {
  const { ammonia, oxygen, temperature, salinity } = TOLERANCES[group];
  const bound = hour < state.boundUntil ? state.bound : 0;
  const free =
    Math.max(0, inWater(state.ammonia, state) - bound) *
    exactFreeShare(state.ph, state.temperature, salinityNow(state));
  return {
    ammonia: Math.max(0, free - ammonia.borne) / ammonia.kills / 24,
    oxygen: Math.max(0, oxygen - state.oxygen) / 2 / 12,
    temperature: outside(state.temperature, temperature) / 3 / 24,
    salinity: outside(salinityNow(state), salinity) / 4 / 48,
  };
}

/** What heals in an hour where nothing strains. */
const HEALS = 0.15 / 24;
/** Nitrogen in a dead animal, mg in each wet gram. */
const BODY_N = 30;

/** So many to each that dies within an hour. */
const TOGETHER = 12;

/** An hour of what animals bear, and who dies of it. */
export function suffer(state: WorldState, nature: Nature, chance: Chance, hour: number): void {
  for (const each of state.dwellers) {
    if (each.count === 0) continue;
    const now = hardshipsOf(state, hour, each.group);
    let all = 0;
    for (const name of HARDSHIPS) {
      all += now[name];
      each.by[name] += now[name];
    }
    each.strain = Math.max(0, each.strain + (all > 0 ? all : -HEALS));
    // One is hardier than another; the next of a group bears what is left of its own.
    const bears = 0.7 + 0.6 * chance.even('animal', each.id, each.count);
    if (each.strain < bears) continue;
    // Of many some die together; a handful goes one by one.
    const dying = Math.ceil(each.count / TOGETHER);
    each.count -= dying;
    each.strain *= 0.5;
    const worst = HARDSHIPS.reduce((a, b) => (each.by[b] > each.by[a] ? b : a));
    for (let n = 0; n < dying; n += 1) {
      state.deaths.push({ hour, what: each.what, group: each.group, of: worst });
    }
    const rots = (dying * each.grams * BODY_N) / nature.litres;
    state.labile += 0.6 * rots;
    state.stubborn += 0.4 * rots;
    state.broughtIn += rots;
  }
}
