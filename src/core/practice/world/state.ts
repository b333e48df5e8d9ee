import type { NitrogenState } from './nitrogen';

/** Animals that came in together, as the tank bears them. */
export interface Dwellers {
  /** The entry they came in with. */
  id: string;
  what: string;
  group: 'fish' | 'invertebrate' | 'coral';
  count: number;
  /** g of one of them. */
  grams: number;
  /** How far water has worn them down: at 1 one of them dies. */
  strain: number;
  /** How much of it each thing made, since they came. */
  by: Record<Hardship, number>;
}

export const HARDSHIPS = ['ammonia', 'oxygen', 'temperature', 'salinity'] as const;
/** What an animal suffers from here; sickness, quarrels and hunger are not told. */
export type Hardship = (typeof HARDSHIPS)[number];

/** One that died, and of what. */
export interface Death {
  hour: number;
  what: string;
  group: Dwellers['group'];
  of: Hardship;
}

/**
 * What is truly so in a tank at one hour. Salt and nitrogen are counted by the full net water, so that
 * what evaporates takes none along; what a test reads is divided by the level.
 */
export interface WorldState extends NitrogenState {
  /** Water that is there, as a share of the full net water. */
  level: number;
  /** Salinity that it would have if it were full, ppt. */
  salt: number;
  temperature: number;
  ph: number;
  /** mg/L. */
  oxygen: number;
  /** mg PO4/L. */
  phosphate: number;
  /** Cloud of bacteria in the water, 0 clear to 1 milk. */
  cloud: number;
  /** Silicate that diatoms live on, mg/L. */
  silicate: number;
  /** Cover of each, 0 to 1. */
  diatoms: number;
  film: number;
  hair: number;
  dwellers: Dwellers[];
  deaths: Death[];
  /** Food is in the tank until this hour, and animals make ammonia of it instead of their usual ration. */
  fedUntil: number;
  /** Until this hour a binder holds so much ammonia harmless, mg N/L. */
  boundUntil: number;
  bound: number;
  /** Pumps stand still until this hour. */
  stillUntil: number;
  // What the keeper has set.
  /** Hours of light a day. */
  lightHours: number;
  /** The heater's dial, °C. */
  dial: number;
  /** Whether a top-off unit keeps the level. */
  toppedOff: boolean;
  /** What the salinity meter still reads too high, ppt. */
  salinityOffset: number;
  /** Salt and water that ever went in and out, for the balance of salt, ppt of the full water. */
  saltIn: number;
  saltOut: number;
}

/** Salinity of the water that is there, ppt. */
export const salinityNow = ({ salt, level }: WorldState): number => salt / level;

/** A concentration of the water that is there, from one counted by the full net water. */
export const inWater = (value: number, { level }: WorldState): number => value / level;
