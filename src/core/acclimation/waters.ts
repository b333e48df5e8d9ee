/** How an animal bears a change of water: fish best, corals less, shrimps, snails and stars least. */
export const CLASSES = ['fish', 'coral', 'shrimp'] as const;
export type WaterClass = (typeof CLASSES)[number];

/** What is measured of a water. */
export interface Water {
  /** ppt */
  salinity: number;
  /** °C */
  temperature: number;
  ph?: number;
}

/** What an acclimation is asked with. */
export interface Arrival {
  bag: Water;
  tank: Water;
  /** Water in the bag that the animal is in, L. */
  litres: number;
  animal: WaterClass;
  /** Hours in a closed bag; none for an animal fetched from a tank or a near shop. */
  hoursShipped?: number;
  /** Warmth of the room that the bucket stands in, °C. */
  room?: number;
  /** Both waters are of one system, as from a tank that shares its sump. */
  oneSystem?: boolean;
}

/** A room is taken to be this warm where nobody says, °C. */
export const USUAL_ROOM = 22;

/** How close is close enough: ppt for each class, and °C. */
export const SALINITY_NEAR: Record<WaterClass, number> = { fish: 1, coral: 1, shrimp: 0.5 };
export const WARMTH_NEAR = 0.5;

interface Limit {
  low: number;
  high: number;
  unit: string;
  name: string;
}

/** What no water that an animal lives in goes beyond. */
const SALINITY: Limit = { low: 3, high: 50, unit: 'ppt', name: 'salinity' };
const WARMTH: Limit = { low: 10, high: 36, unit: '°C', name: 'temperature' };
const PH: Limit = { low: 5.5, high: 9.2, unit: '', name: 'pH' };
const LITRES: Limit = { low: 0.02, high: 200, unit: 'L', name: 'water' };
const HOURS: Limit = { low: 0, high: 120, unit: 'h', name: 'time in the bag' };

function beyond(of: string, value: number | undefined, limit: Limit): string[] {
  if (value === undefined || (value >= limit.low && value <= limit.high)) return [];
  const unit = limit.unit === '' ? '' : ` ${limit.unit}`;
  const what = of === '' ? `The ${limit.name}` : `The ${limit.name} of the ${of}`;
  return [
    `${what} must lie between ${limit.low} and ${limit.high}${unit}; ${value} does not. Measure it again.`,
  ];
}

/** What cannot be of an arrival, in words; empty where all of it can. */
export function impossible({ bag, tank, litres, hoursShipped, room }: Arrival): string[] {
  return [
    ...beyond('bag', bag.salinity, SALINITY),
    ...beyond('tank', tank.salinity, SALINITY),
    ...beyond('bag', bag.temperature, WARMTH),
    ...beyond('tank', tank.temperature, WARMTH),
    ...beyond('bag', bag.ph, PH),
    ...beyond('tank', tank.ph, PH),
    ...beyond('', litres, LITRES),
    ...beyond('', hoursShipped, HOURS),
    ...beyond('room', room, { ...WARMTH, low: 0, high: 45 }),
  ];
}
