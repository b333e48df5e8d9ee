import { SUMS } from '@/core/sums';
import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';
import { UNITS } from './ConverterScreen';

/** What people call what a calculator works out. */
export const ALSO: Readonly<Record<string, string>> = {
  'net-volume': 'gallons litres how much water displacement real volume',
  heater: 'watts wattage temperature cold',
  media: 'bio blocks ceramic rings surface bacteria',
  turnover: 'flow pump powerhead return gph wavemaker',
  sand: 'substrate sand bed DSB aragonite bags',
  rock: 'live rock dry rock displacement aquascape',
  'floor-load': 'weight floor joists stand heavy',
  'drain-down': 'sump overflow siphon flood power cut back siphon',
  'water-change': 'WC change how much buckets nitrate',
  'change-series': 'WC several changes lower nitrate down to',
  'free-ammonia': 'NH3 toxic ammonium pH temperature',
  additive: 'dosing supplement trace label',
  'ammonia-dose': 'ammonium chloride fishless ghost feed 2 ppm',
  'drop-size': 'dropper drops per ml pipette',
  dilution: 'stock solution dilute concentrate',
  packs: 'salt bucket price kilo buy',
  evaporation: 'top-off ATO salinity rises',
  'evaporation-guess': 'top-off ATO how much evaporates',
  'reservoir-in': 'ATO top-off sticks fails salinity drops',
  alkalinity: 'KH dKH alk buffer baking soda bicarbonate',
  calcium: 'Ca calcium chloride',
  magnesium: 'Mg magnesium chloride sulfate',
  'two-part': 'dosing alk calcium balling two part',
  consumption: 'alk drop per day uptake corals use',
  phosphate: 'PO4 phosphorus ppb ULR',
  rodi: 'RO/DI RODI reverse osmosis waste membrane TDS',
  'salt-mix': 'mix saltwater grams cups of salt NSW',
  'salt-yield': 'salt brand grams per litre yield',
  'salinity-raise': 'SG specific gravity too low ppt raise',
  'salinity-lower': 'SG specific gravity too high ppt lower',
  'salinity-read': 'SG specific gravity refractometer conductivity ppt convert',
  hydrometer: 'SG swing arm specific gravity temperature',
  'mineral-at-35': 'compare calcium magnesium salinity corrected',
};

/** Every calculator, to be found by what it answers. */
export const offers: readonly Offer[] = [...SUMS, UNITS].map(({ id, title, asks }) => ({
  id: `calculator/${id}`,
  kind: 'calculator',
  title,
  note: asks,
  also: ALSO[id] ?? 'convert units ppm meq gallons fahrenheit',
  open: to.sum(id),
}));
