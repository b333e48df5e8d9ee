import { formatFixed } from '../../units/format';
import type { AlarmId } from './alarmIds';
import type { ChannelId } from '../channels';

interface Words {
  /** What is wrong, in a few words. */
  title: string;
  /** What the value is that was farthest off. */
  worst: ChannelId | 'rate' | 'jump' | null;
}

/** Told in lists of entries too; when each rings (`alarms`) is fetched by who listens alone. */
const EACH: Readonly<Record<AlarmId, Words>> = {
  leak: { title: 'Water where none should be', worst: null },
  pumpOff: { title: 'The return pump stands still', worst: null },
  ammoniaNow: { title: 'Free ammonia harms what lives in there', worst: 'freeAmmonia' },
  temperatureFar: { title: 'The temperature is far off', worst: 'temperature' },
  ammoniaHigh: { title: 'Free ammonia stays high', worst: 'freeAmmonia' },
  salinityRate: { title: 'Salinity moves by the hour', worst: 'rate' },
  phJump: { title: 'pH jumped', worst: 'jump' },
  salinityFar: { title: 'Salinity is far off', worst: 'salinity' },
  sumpHigh: { title: 'The sump is too full', worst: null },
  levelLow: { title: 'The water level is low', worst: null },
  temperatureOff: { title: 'The temperature leaves its range', worst: 'temperature' },
  salinityOff: { title: 'Salinity leaves its range', worst: 'salinity' },
  ammoniaUp: { title: 'Free ammonia is up', worst: 'freeAmmonia' },
  phHigh: { title: 'pH is too high', worst: 'ph' },
  phLow: { title: 'pH stays low', worst: 'ph' },
  silent: { title: 'Nothing measures any more', worst: null },
};

export const alarmTitle = (id: AlarmId): string => EACH[id].title;

/** A value of a channel with its unit, to as many decimals as a probe deserves. */
const SHOWN: Readonly<Record<ChannelId, (value: number) => string>> = {
  temperature: (value) => `${formatFixed(value, 1)} °C`,
  ph: (value) => `pH ${formatFixed(value, 2)}`,
  salinity: (value) => `${formatFixed(value, 1)} ppt`,
  freeAmmonia: (value) => `${formatFixed(value, 3)} ppm NH3-N`,
};
export const channelWords = (channel: ChannelId, value: number): string => SHOWN[channel](value);

/** The value that was farthest off, in words; empty where the alarm has none. */
export function alarmWorst(id: AlarmId, value: number | undefined): string {
  const { worst } = EACH[id];
  if (value === undefined || worst === null) return '';
  if (worst === 'rate') return `${formatFixed(value, 1)} ppt an hour`;
  if (worst === 'jump') return `by ${formatFixed(value, 2)} in ten minutes`;
  return channelWords(worst, value);
}
