import type { ParameterId } from '../parameters/registry';

/** What a monitor measures without a pause, in the order in which it is shown. */
export const CHANNEL_IDS = ['temperature', 'ph', 'salinity', 'freeAmmonia'] as const;
export type ChannelId = (typeof CHANNEL_IDS)[number];

interface Channel {
  parameter: ParameterId;
  /** The smallest difference that is kept, canonical unit. */
  step: number;
  /** What a probe can show at all, canonical unit: beyond it a value is none. */
  shows: { low: number; high: number };
  /** Whether a zero of it is what a bubble of air at the probe shows as well. */
  zeroIsAir: boolean;
}

/** Every channel in the canonical unit of its parameter: °C, pH, ppt, mg NH₃-N/L. */
export const CHANNELS: Readonly<Record<ChannelId, Channel>> = {
  temperature: {
    parameter: 'temperature',
    step: 0.01,
    shows: { low: -5, high: 60 },
    zeroIsAir: false,
  },
  ph: { parameter: 'ph', step: 0.001, shows: { low: 0, high: 14 }, zeroIsAir: false },
  salinity: { parameter: 'salinity', step: 0.01, shows: { low: 0, high: 70 }, zeroIsAir: true },
  freeAmmonia: {
    parameter: 'freeAmmonia',
    step: 0.0001,
    shows: { low: 0, high: 3 },
    zeroIsAir: false,
  },
};

/** What a monitor tells as on or off, at once. */
export const SWITCH_IDS = ['leak', 'sumpHigh', 'levelLow', 'pumpOff'] as const;
export type SwitchId = (typeof SWITCH_IDS)[number];
