/**
 * How an animal takes a change of salinity: fish a fall better than a rise; corals, anemones, clams and worms, and
 * shrimps, snails and crabs by the hour; stars, urchins and cucumbers slowest.
 */
export const CLASSES = ['fish', 'coral', 'shrimp', 'star'] as const;
export type WaterClass = (typeof CLASSES)[number];

const SLOWEST = ['star', 'urchin', 'cucumber'];
const AS_CORALS = ['anemone', 'clam', 'worm'];

/** How an animal takes a change of salinity, by its group and form; as a shrimp where nobody knows it. */
export function waterClassOf(
  group: 'fish' | 'invertebrate' | 'coral',
  form: string | undefined,
): WaterClass {
  if (group !== 'invertebrate') return group;
  if (form !== undefined && SLOWEST.includes(form)) return 'star';
  return form !== undefined && AS_CORALS.includes(form) ? 'coral' : 'shrimp';
}

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
  /** Total ammonia that a test of the bag's water showed, mg N/L. */
  bagAmmonia?: number;
  /** Hours in a closed bag; none for an animal fetched from a tank or a near shop. */
  hoursShipped?: number;
  /** Temperature of the room that the bucket stands in, °C. */
  room?: number;
  /** Both waters are of one system, as from a tank that shares its sump. */
  oneSystem?: boolean;
}

/** A room is taken to be this warm where nobody says, °C. */
export const USUAL_ROOM = 22;

/** How close is close enough: ppt for each class, and °C. */
export const SALINITY_NEAR: Record<WaterClass, number> = {
  fish: 1,
  coral: 1,
  shrimp: 0.5,
  star: 0.5,
};
export const TEMPERATURE_NEAR = 0.5;

interface Limit {
  low: number;
  high: number;
  unit: string;
  name: string;
}

/** What no water that an animal lives in goes beyond. */
const SALINITY: Limit = { low: 3, high: 50, unit: 'ppt', name: 'salinity' };
const TEMPERATURE: Limit = { low: 10, high: 36, unit: '°C', name: 'temperature' };
const PH: Limit = { low: 5.5, high: 9.2, unit: '', name: 'pH' };
const LITRES: Limit = { low: 0.02, high: 200, unit: 'L', name: 'water' };
const AMMONIA: Limit = { low: 0, high: 50, unit: 'mg N/L', name: 'ammonia' };
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
export function impossible(arrival: Arrival): string[] {
  const { bag, tank, litres, hoursShipped, room, bagAmmonia } = arrival;
  return [
    ...beyond('bag', bag.salinity, SALINITY),
    ...beyond('tank', tank.salinity, SALINITY),
    ...beyond('bag', bag.temperature, TEMPERATURE),
    ...beyond('tank', tank.temperature, TEMPERATURE),
    ...beyond('bag', bag.ph, PH),
    ...beyond('tank', tank.ph, PH),
    ...beyond('bag', bagAmmonia, AMMONIA),
    ...beyond('', litres, LITRES),
    ...beyond('', hoursShipped, HOURS),
    ...beyond('room', room, { ...TEMPERATURE, low: 0, high: 45 }),
  ];
}
