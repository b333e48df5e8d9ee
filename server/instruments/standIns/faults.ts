/** What can go wrong with a monitor on demand, each with what is said of it on the page. */
export const FAULTS = {
  silence: 'Says nothing',
  drift: 'The salinity probe drifts, 0.5 ppt an hour',
  stuck: 'Every probe shows what it last showed',
  spike: 'The temperature spikes: 6 °C more at once',
  bubbles: 'Bubbles at the salinity probe: it shows zero',
  wrongClock: 'Its clock is three hours behind',
  doubled: 'Sends each sample twice',
  late: 'Sends its samples seven minutes late',
  leak: 'The leak sensor is wet',
  sumpHigh: 'The sump is too full',
  levelLow: 'The water level is low',
  pumpOff: 'The return pump stands still',
} as const satisfies Record<string, string>;
export type FaultId = keyof typeof FAULTS;
export const FAULT_IDS = Object.keys(FAULTS) as FaultId[];

/** What happens in a moment instead of going on. */
export const SHOCKS = {
  restart: 'Breaks every connection and starts anew',
  forget: 'Forgets everything it measured',
  dose: 'Ammonium is dosed: about 1 ppm N',
} as const satisfies Record<string, string>;
export type ShockId = keyof typeof SHOCKS;
export const SHOCK_IDS = Object.keys(SHOCKS) as ShockId[];
