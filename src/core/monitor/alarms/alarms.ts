import type { AlarmId } from './alarmIds';
import type { ChannelId, SwitchId } from '../channels';

/** An emergency that tells what to do. */
export type EmergencyId =
  | 'leak'
  | 'powerCut'
  | 'ammoniaSpike'
  | 'heaterFault'
  | 'salinitySwing'
  | 'overdose';

interface Band {
  low: number;
  high: number;
}

/** What an alarm watches, and beyond what it rings. */
type Watched =
  | { by: 'switch'; switch: SwitchId }
  /** So far outside of the tank's own band, either way or further above than below, canonical. */
  | { by: 'band'; channel: ChannelId; above: number; below: number }
  | { by: 'above'; channel: ChannelId; limit: number }
  | { by: 'below'; channel: ChannelId; limit: number }
  /** Either way by so much an hour, over half an hour. */
  | { by: 'rate'; channel: ChannelId; limit: number }
  /** Up by so much within ten minutes. */
  | { by: 'jump'; channel: ChannelId; limit: number }
  | { by: 'silence' };

interface Alarm {
  watches: Watched;
  /** How long it has to last before it rings, s. */
  after: number;
  /** What has to be back within the limit before it counts as over, canonical. */
  back: number;
  /** Whether it kills before morning, so that it rings by night. */
  byNight: boolean;
  /** Whether it rings through a service pause: what no feeding and no water change brings about. */
  inPause: boolean;
  /** What to do, step by step; null where nothing is urgent. */
  emergency: EmergencyId | null;
}

/**
 * Every alarm. Figures are practice limits: heat kills within hours from three degrees on, a top-off that
 * sticks shows as salinity that falls by the hour, a jump of pH as an overdose of alkalinity.
 */
export const ALARMS: Readonly<Record<AlarmId, Alarm>> = {
  leak: {
    watches: { by: 'switch', switch: 'leak' },
    after: 10,
    back: 0,
    byNight: true,
    inPause: true,
    emergency: 'leak',
  },
  pumpOff: {
    watches: { by: 'switch', switch: 'pumpOff' },
    after: 120,
    back: 0,
    byNight: true,
    inPause: false,
    emergency: 'powerCut',
  },
  ammoniaNow: {
    watches: { by: 'above', channel: 'freeAmmonia', limit: 0.1 },
    after: 0,
    back: 0.02,
    byNight: true,
    inPause: true,
    emergency: 'ammoniaSpike',
  },
  temperatureFar: {
    watches: { by: 'band', channel: 'temperature', above: 3, below: 3 },
    after: 0,
    back: 0.3,
    byNight: true,
    inPause: false,
    emergency: 'heaterFault',
  },
  ammoniaHigh: {
    watches: { by: 'above', channel: 'freeAmmonia', limit: 0.05 },
    after: 15 * 60,
    back: 0.01,
    byNight: true,
    inPause: false,
    emergency: 'ammoniaSpike',
  },
  salinityRate: {
    watches: { by: 'rate', channel: 'salinity', limit: 0.5 },
    after: 5 * 60,
    back: 0.15,
    byNight: true,
    inPause: false,
    emergency: 'salinitySwing',
  },
  phJump: {
    watches: { by: 'jump', channel: 'ph', limit: 0.2 },
    after: 0,
    back: 0.1,
    byNight: true,
    inPause: false,
    emergency: 'overdose',
  },
  salinityFar: {
    watches: { by: 'band', channel: 'salinity', above: 2, below: 2 },
    after: 5 * 60,
    back: 0.2,
    byNight: false,
    inPause: false,
    emergency: 'salinitySwing',
  },
  sumpHigh: {
    watches: { by: 'switch', switch: 'sumpHigh' },
    after: 60,
    back: 0,
    byNight: false,
    inPause: false,
    emergency: 'leak',
  },
  levelLow: {
    watches: { by: 'switch', switch: 'levelLow' },
    after: 120,
    back: 0,
    byNight: false,
    inPause: false,
    emergency: 'leak',
  },
  temperatureOff: {
    watches: { by: 'band', channel: 'temperature', above: 1.5, below: 2 },
    after: 10 * 60,
    back: 0.3,
    byNight: false,
    inPause: false,
    emergency: 'heaterFault',
  },
  salinityOff: {
    watches: { by: 'band', channel: 'salinity', above: 1, below: 1 },
    after: 30 * 60,
    back: 0.2,
    byNight: false,
    inPause: false,
    emergency: 'salinitySwing',
  },
  ammoniaUp: {
    watches: { by: 'above', channel: 'freeAmmonia', limit: 0.02 },
    after: 60 * 60,
    back: 0.004,
    byNight: false,
    inPause: false,
    emergency: 'ammoniaSpike',
  },
  phHigh: {
    watches: { by: 'above', channel: 'ph', limit: 8.6 },
    after: 0,
    back: 0.05,
    byNight: false,
    inPause: false,
    emergency: 'overdose',
  },
  phLow: {
    watches: { by: 'below', channel: 'ph', limit: 7.6 },
    after: 60 * 60,
    back: 0.05,
    byNight: false,
    inPause: false,
    emergency: null,
  },
  silent: {
    watches: { by: 'silence' },
    after: 5 * 60,
    back: 0,
    byNight: false,
    inPause: false,
    emergency: 'powerCut',
  },
};

/** The tank's own bands, canonical, where it has one. */
export type Bands = Readonly<Partial<Record<ChannelId, Band>>>;
