import { SAFE } from '../../cycle/verdict/safe';
import { exactExp } from '../../math/exact';
import type { Tank } from '../../records/schema/tank';
import type { Chance } from './chance';
import type { Guilds, NitrogenState } from './nitrogen';

/** What is wrong with a tank, its bottles or its meters, and its keeper does not know. */
export interface Hidden {
  /** Share of what lives in a bottle of bacteria as it is opened: 1 as it left its maker. */
  bottleAlive?: number;
  /** What the ammonia source truly holds, as a share of its label. */
  ammoniaStrength?: number;
  /** Chloramine in untreated tap water, as mg N/L of ammonia once it falls apart. */
  tapChloramine?: number;
  /** By how much the salinity meter reads too high, ppt, until it is set with a standard. */
  salinityOffset?: number;
  /** Share of the colour that a spent reagent still gives. */
  ammoniaReagent?: number;
  nitriteReagent?: number;
  /** Salinity that the tank was filled with, ppt. */
  salinity?: number;
  /** Alkalinity of the salt in use, and what rock takes of it in a day, dKH. */
  alkalinity?: number;
  alkalinityUse?: number;
  /** Factors on what rock and bottles bring of each: few of those that clear nitrite make a long plateau. */
  ammoniaStart?: number;
  nitriteStart?: number;
}

/** What a tank is like by chance, and stays: what no keeper sees. */
export interface Nature extends Guilds {
  /** Litres of water that are truly in it when it is full. */
  litres: number;
  ph: number;
  phSwing: number;
  /** Alkalinity of the salt in use, dKH. */
  saltAlkalinity: number;
  /** °C of the room, its swing within a day, and what it wanders from day to day. */
  room: number;
  roomSwing: number;
  roomWander: number;
  /** By how much the water is warmer than the heater's dial says, °C. */
  heaterOff: number;
  /** Share of the full water that evaporates in a day. */
  evaporation: number;
  /** Exchange of oxygen with the air under flow, each day. */
  aeration: number;
  /** Biomass that a bottle for this water brings: quick, slow, nitrite oxidisers, mg N/L/day. */
  bottle: readonly [quick: number, slow: number, nitrite: number];
  hidden: Hidden;
}

type Start = readonly [quick: number, slow: number, nitrite: number];

/** Medians that rock starts with, mg N/L/day: dust in the air, and rock that lived in the sea. */
const STARTS: Record<Tank['rock'], Start> = {
  dryRock: [0.0009, 0.0004, 0.00022],
  organicDryRock: [0.0009, 0.0004, 0.00022],
  none: [0.0004, 0.0002, 0.0001],
  liveRock: [0.4, 0.2, 0.4],
  establishedMedia: [0.5, 0.25, 0.5],
};
const BOTTLE: Start = [0.045, 0.012, 0.016];
/** Organic nitrogen on rock, mg N/L: quick to rot, and slow. */
const ORGANIC: Record<Tank['rock'], readonly [labile: number, stubborn: number]> = {
  dryRock: [0.12, 0.15],
  none: [0.02, 0.02],
  organicDryRock: [1, 1],
  liveRock: [0.3, 0.3],
  establishedMedia: [0.1, 0.1],
};
/** A room's temperature where nothing else is said, °C. */
const ROOM = 22;

/** What is told of a tank when it is filled: what chance then makes of it is its nature. */
export interface Beginning {
  rock: Tank['rock'];
  /** Net water by the keeper's own sums, L. */
  computedLitres: number;
  hidden: Hidden;
  laws: Laws;
}

/**
 * By which laws a tank is drawn. The first drew 3 tanks in 100 whose bacteria die so fast that nitrite never comes to
 * rest under what a first fish may meet, whatever is done; by the second it does. A run keeps those it was begun by.
 */
export const LAWS = [1, 2] as const;
export type Laws = (typeof LAWS)[number];
/** Laws of a run that is begun now. */
export const LAWS_NOW: Laws = 2;

/** What ammonia and nitrite come to rest at under a steady load at most, mg N/L: half of what a first fish may meet. */
export const RESTS_AT = SAFE / 2;

/** Decay with which a guild keeps what it lives on at `RESTS_AT`, per day: where growth at that, by Monod, equals it. */
const decayAtRest = (growth: number, half: number) => (growth * RESTS_AT) / (half + RESTS_AT);

/** The fastest decay with which ammonia and nitrite both come to rest low, per day. */
function fastestDecay(guilds: Omit<Guilds, 'decay'>): number {
  const { quickGrowth, quickHalf, slowGrowth, slowHalf, nitriteGrowth, nitriteHalf } = guilds;
  return Math.min(
    decayAtRest(nitriteGrowth, nitriteHalf),
    // Either guild is enough for ammonia; the slow one dies half as fast.
    Math.max(decayAtRest(quickGrowth, quickHalf), 2 * decayAtRest(slowGrowth, slowHalf)),
  );
}

/** A tank drawn by chance. */
export function natureOf(
  { rock, computedLitres, hidden, laws }: Beginning,
  chance: Chance,
): Nature {
  const normal = (what: string) => chance.normal('nature', what);
  const around = (what: string, median: number, sd: number) => median * exactExp(sd * normal(what));
  // A volume that was computed is off by some per cent, more often too high: rock and sand take room.
  const litres = computedLitres * Math.max(0.8, 1 - 0.03 + 0.05 * normal('litres'));
  const guilds = {
    quickGrowth: around('quickGrowth', 0.95, 0.3),
    slowGrowth: around('slowGrowth', 0.5, 0.3),
    nitriteGrowth: around('nitriteGrowth', 0.68, 0.36),
    quickHalf: around('quickHalf', 0.6, 0.5),
    slowHalf: around('slowHalf', 0.08, 0.5),
    nitriteHalf: around('nitriteHalf', 0.4, 0.6),
    nitriteInhibition: around('nitriteInhibition', 0.35, 0.6),
    quickInhibition: around('quickInhibition', 1.5, 0.4),
    decay: around('decay', 0.055, 0.6),
    lagDays: around('lagDays', 2, 0.7),
    uptake: around('uptake', 0.012, 0.8),
    ceiling: around('ceiling', rock === 'none' ? 3 : 15, 0.6),
  };
  return {
    ...guilds,
    decay: laws === 1 ? guilds.decay : Math.min(guilds.decay, fastestDecay(guilds)),
    litres,
    ph: 8.1 + 0.1 * normal('ph'),
    phSwing: 0.05 + 0.1 * chance.even('nature', 'phSwing'),
    saltAlkalinity: hidden.alkalinity ?? Math.max(7, 8.6 + 0.8 * normal('alkalinity')),
    room: ROOM + 1.2 * normal('room'),
    roomSwing: 0.5 + chance.even('nature', 'roomSwing'),
    roomWander: 0.6,
    heaterOff: 0.5 * normal('heater'),
    evaporation: around('evaporation', 0.008, 0.3),
    aeration: around('aeration', 30, 0.25),
    bottle: [
      around('bottle quick', BOTTLE[0], 1),
      around('bottle slow', BOTTLE[1], 1),
      (hidden.nitriteStart ?? 1) * around('bottle nitrite', BOTTLE[2], 1.1),
    ],
    hidden,
  };
}

/** The nitrogen of a tank as it is filled. */
export function filledNitrogen(
  { rock, hidden }: Beginning,
  nature: Nature,
  chance: Chance,
): NitrogenState {
  const normal = (what: string) => chance.normal('nature', what);
  const together = normal('together');
  const seeded = (what: string, median: number, sd: number) =>
    median * exactExp(0.8 * sd * normal(what) + 0.6 * sd * together);
  const start = STARTS[rock];
  const organic = ORGANIC[rock];
  const labile = organic[0] * exactExp(normal('labile'));
  const stubborn = organic[1] * exactExp(normal('stubborn'));
  return {
    ammonia: 0,
    nitrite: 0,
    nitrate: 0,
    labile,
    stubborn,
    alkalinity: nature.saltAlkalinity,
    quick: (hidden.ammoniaStart ?? 1) * seeded('quick', start[0], 1.3),
    slow: (hidden.ammoniaStart ?? 1) * seeded('slow', start[1], 1.3),
    nitriteGuild: (hidden.nitriteStart ?? 1) * seeded('nitrite', start[2], 1.5),
    awake: rock === 'liveRock' || rock === 'establishedMedia' ? 1 : 0,
    broughtIn: labile + stubborn,
    takenOut: 0,
    oxygenUsed: 0,
  };
}
