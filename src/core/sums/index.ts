import { drainDown, floorLoad, heater, rock, sand, turnover, volume } from './build';
import { changeSeries, freeAmmonia, waterChange } from './change';
import { additive, dilution, dropSize, packs } from './dosing';
import { evaporation, evaporationGuess, reservoirIn } from './evaporation';
import { alkalinity, calcium, consumption, magnesium, phosphate, twoPart } from './minerals';
import { rodi } from './purified';
import {
  hydrometer,
  mineralsAtFull,
  salinityLower,
  salinityRaise,
  salinityRead,
  saltMix,
  saltYield,
} from './salinity';
import type { Sum } from './sum';

/** Every sum, in the order in which a tank is built, filled and kept. */
export const SUMS: readonly Sum[] = [
  volume,
  floorLoad,
  sand,
  rock,
  heater,
  turnover,
  drainDown,
  rodi,
  saltMix,
  saltYield,
  salinityRead,
  hydrometer,
  salinityRaise,
  salinityLower,
  evaporation,
  evaporationGuess,
  reservoirIn,
  waterChange,
  changeSeries,
  freeAmmonia,
  alkalinity,
  calcium,
  magnesium,
  mineralsAtFull,
  consumption,
  twoPart,
  phosphate,
  additive,
  dropSize,
  dilution,
  packs,
];

export { isChoice, SumError, workOut, type Sum, type SumInput } from './sum';
