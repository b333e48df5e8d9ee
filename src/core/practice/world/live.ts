import { HOUR_MS } from '../../time/zone';
import { doDeed } from '../deeds/effects';
import type { Deed } from '../deeds/deeds';
import { chanceOf, type Chance } from './chance';
import { liveHour, phOf, roomAt } from './hour';
import { filledNitrogen, natureOf, type Beginning, type Nature } from './nature';
import { exactFreeShare } from './nitrogen';
import { oxygenAtBalance } from './oxygen';
import { inWater, salinityNow, type WorldState } from './state';

/** A world as it is filled: everything after it follows from its deeds. */
export interface Start {
  seed: number;
  beginning: Beginning;
  /** The moment it was filled, ms. */
  filledAt: number;
  /** The heater's dial, °C, and whether a top-off unit keeps the level. */
  dial: number;
  toppedOff: boolean;
  /** The parameter that a kit measures, by its id. */
  measures: (kitId: string) => string | undefined;
  /** Kits that were there when the tank was taken over: what is hidden of kits is true of these alone. */
  oldKits: ReadonlySet<string>;
}

/** What is truly so, hour by hour, in the units of the core: mg N/L, dKH, °C, ppt, mg/L, shares. */
export const TRUTHS = [
  'ammonia',
  'nitrite',
  'nitrate',
  'alkalinity',
  'ph',
  'temperature',
  'salinity',
  'oxygen',
  'phosphate',
  'freeAmmonia',
  'capacityA',
  'capacityB',
  'diatoms',
  'film',
  'hair',
  'cloud',
] as const;
export type Truth = (typeof TRUTHS)[number];

/** The value of each truth in a state. */
const READ: Record<Truth, (state: WorldState) => number> = {
  ammonia: (state) => inWater(state.ammonia, state),
  nitrite: (state) => inWater(state.nitrite, state),
  nitrate: (state) => inWater(state.nitrate, state),
  alkalinity: (state) => state.alkalinity,
  ph: (state) => state.ph,
  temperature: (state) => state.temperature,
  salinity: salinityNow,
  oxygen: (state) => state.oxygen,
  phosphate: (state) => state.phosphate,
  freeAmmonia: (state) =>
    inWater(state.ammonia, state) * exactFreeShare(state.ph, state.temperature, salinityNow(state)),
  capacityA: (state) => state.quick + 0.9 * state.slow,
  capacityB: (state) => state.nitriteGuild * state.awake,
  diatoms: (state) => state.diatoms,
  film: (state) => state.film,
  hair: (state) => state.hair,
  cloud: (state) => state.cloud,
};

export const truthOf = (truth: Truth, state: WorldState): number => READ[truth](state);

/** What a life came to. */
export interface Lived {
  start: Start;
  state: WorldState;
  nature: Nature;
  chance: Chance;
  /** Hours since the tank was filled. */
  hour: number;
}

function filled(start: Start, nature: Nature, chance: Chance): WorldState {
  const { beginning, dial, toppedOff } = start;
  const salinity = beginning.hidden.salinity ?? 35;
  const temperature = roomAt(nature, chance, 0);
  const state: WorldState = {
    ...filledNitrogen(beginning, nature, chance),
    level: 1,
    salt: salinity,
    temperature,
    ph: nature.ph,
    oxygen: oxygenAtBalance(temperature, salinity),
    phosphate: 0.02,
    cloud: 0,
    silicate: 1.5,
    diatoms: 0,
    film: 0,
    hair: 0,
    dwellers: [],
    deaths: [],
    fedUntil: 0,
    boundUntil: 0,
    bound: 0,
    stillUntil: 0,
    lightHours: 0,
    dial,
    toppedOff,
    salinityOffset: beginning.hidden.salinityOffset ?? 0,
    saltIn: salinity,
    saltOut: 0,
  };
  state.ph = phOf(state, nature, 0);
  return state;
}

/** Told of every hour before it is lived, once its deeds are done. */
export type Watcher = (state: WorldState, hour: number) => void;

/**
 * Lives a world from its filling through its deeds up to a moment.
 * @param until ms; what was done up to then is done, and the hour that has begun is not over
 */
export function live(start: Start, deeds: readonly Deed[], until: number, watch?: Watcher): Lived {
  const chance = chanceOf(start.seed);
  const nature = natureOf(start.beginning, chance);
  const state = filled(start, nature, chance);
  const hours = Math.max(0, Math.floor((until - start.filledAt) / HOUR_MS));
  const { computedLitres } = start.beginning;
  const { measures } = start;
  let next = 0;
  for (let hour = 0; ; hour += 1) {
    const ends = Math.min(until, start.filledAt + (hour + 1) * HOUR_MS - 1);
    while (next < deeds.length && (deeds[next] as Deed).at <= ends) {
      const deed = deeds[next] as Deed;
      doDeed(deed, { state, nature, chance, hour, computedLitres, measures, id: deed.id });
      next += 1;
    }
    watch?.(state, hour);
    if (hour >= hours) return { start, state, nature, chance, hour };
    liveHour(state, nature, chance, hour);
  }
}

export interface Course {
  series: Record<Truth, Float64Array>;
  lived: Lived;
}

/** A life hour by hour. */
export function courseOf(start: Start, deeds: readonly Deed[], until: number): Course {
  const hours = Math.max(0, Math.floor((until - start.filledAt) / HOUR_MS));
  const series = Object.fromEntries(
    TRUTHS.map((truth) => [truth, new Float64Array(hours + 1)]),
  ) as Record<Truth, Float64Array>;
  const lived = live(start, deeds, until, (state, hour) => {
    for (const truth of TRUTHS) series[truth][hour] = READ[truth](state);
  });
  return { series, lived };
}
