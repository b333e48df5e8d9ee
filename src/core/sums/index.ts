import { drainDown, floorLoad, heater, media, rock, sand, turnover, volume } from './build';
import { changeSeries, freeAmmonia, waterChange } from './change';
import { additive, ammoniaDose, dilution, dropSize, packs } from './dosing';
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

/** The sums by what one is at, in the order in which a tank is built, filled and kept. */
export const SUM_GROUPS: readonly { title: string; sums: readonly Sum[] }[] = [
  { title: 'Build', sums: [volume, floorLoad, sand, rock, heater, turnover, media, drainDown] },
  { title: 'Mix saltwater', sums: [rodi, saltMix, saltYield, packs] },
  { title: 'Salinity', sums: [salinityRead, hydrometer, salinityRaise, salinityLower] },
  { title: 'Evaporation', sums: [evaporation, evaporationGuess, reservoirIn] },
  { title: 'Water changes', sums: [waterChange, changeSeries, freeAmmonia] },
  {
    title: 'Minerals',
    sums: [alkalinity, calcium, magnesium, mineralsAtFull, consumption, twoPart, phosphate],
  },
  { title: 'Doses', sums: [ammoniaDose, additive, dropSize, dilution] },
];

export const SUMS: readonly Sum[] = SUM_GROUPS.flatMap(({ sums }) => sums);

export {
  isChoice,
  SumError,
  workOut,
  wrongWith,
  type Sketch,
  type Sum,
  type SumInput,
  type SumUnit,
} from './sum';
