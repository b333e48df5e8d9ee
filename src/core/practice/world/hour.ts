import { exactExp, exactLog, sineOfTurns } from '../../math/exact';
import type { Chance } from './chance';
import { N_PER_GRAM, suffer } from './animals';
import { grow } from './growths';
import type { Nature } from './nature';
import { nitrogenHour } from './nitrogen';
import { oxygenAtBalance } from './oxygen';
import { salinityNow, type WorldState } from './state';

const LOG10 = 2.302585092994046;
/** What a tank loses of its warmth above the room in an hour, and what its heater gives, °C. */
const COOLS = 0.05;
const HEATS = 1.2;
/** Share of the exchange with air that is left where pumps stand still. */
const STILL_AIR = 0.08;
/** Oxygen under which bacteria slow down, mg/L: above it they have plenty. */
const PLENTY = 4;

/** °C of the room at an hour: a swing within the day, and a drift that each day ends somewhere else. */
export function roomAt(nature: Nature, chance: Chance, hour: number): number {
  const day = Math.floor(hour / 24);
  const part = hour / 24 - day;
  const from = chance.normal('room', 'day', day);
  const to = chance.normal('room', 'day', day + 1);
  return (
    nature.room +
    nature.roomWander * (from + (to - from) * part) +
    nature.roomSwing * sineOfTurns((hour - 10) / 24)
  );
}

function warm(state: WorldState, nature: Nature, room: number): void {
  const set = state.dial + nature.heaterOff;
  const cooled = room + (state.temperature - room) * (1 - COOLS);
  state.temperature = cooled < set ? Math.min(set, cooled + HEATS) : cooled;
}

function evaporate(state: WorldState, nature: Nature): void {
  state.level = Math.max(0.5, state.level - nature.evaporation / 24);
  if (state.toppedOff) state.level = Math.max(state.level, 1);
}

/** pH: lower with less alkalinity at the same carbon dioxide, higher by the end of a lit day. */
export function phOf(state: WorldState, nature: Nature, hour: number): number {
  const buffer = exactLog(Math.max(0.3, state.alkalinity) / nature.saltAlkalinity) / LOG10;
  const swing = nature.phSwing * (1 + state.film + state.hair);
  return nature.ph + 0.8 * buffer + swing * sineOfTurns((hour - 9) / 24) - 0.15 * state.cloud;
}

/** Oxygen by its balance within an hour: what the air gives and what lives and rots takes, mg/L. */
function breathe(state: WorldState, nature: Nature, hour: number, grams: number): void {
  const still = hour < state.stillUntil;
  const exchange = (nature.aeration * (still ? STILL_AIR : 1)) / 24;
  const used = state.oxygenUsed + (0.35 * grams) / nature.litres + 0.12 * state.cloud;
  const balance = oxygenAtBalance(state.temperature, salinityNow(state)) - used / exchange;
  state.oxygen = Math.max(0, balance + (state.oxygen - balance) * exactExp(-exchange));
}

/**
 * One hour of a tank, whose number from the filling on is `hour`.
 * @param state changed in place
 */
export function liveHour(state: WorldState, nature: Nature, chance: Chance, hour: number): void {
  const grams = state.dwellers.reduce((sum, { count, grams: each }) => sum + count * each, 0);
  const load = hour < state.fedUntil ? 0 : (grams * N_PER_GRAM) / nature.litres;
  warm(state, nature, roomAt(nature, chance, hour));
  evaporate(state, nature);
  state.ph = phOf(state, nature, hour);
  nitrogenHour(state, nature, {
    temperature: state.temperature,
    ph: state.ph,
    salinity: salinityNow(state),
    load,
    breath: Math.min(1, state.oxygen / PLENTY),
  });
  const { alkalinityUse } = nature.hidden;
  if (alkalinityUse) state.alkalinity = Math.max(0.2, state.alkalinity - alkalinityUse / 24);
  breathe(state, nature, hour, grams);
  grow(state);
  suffer(state, nature, chance, hour);
}
