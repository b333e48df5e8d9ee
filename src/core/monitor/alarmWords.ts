import { formatFixed } from '../units/format';
import { ALARMS } from './alarms';
import type { AlarmId } from './alarmIds';
import type { ChannelId } from './channels';

interface Words {
  /** What is wrong, in a few words. */
  title: string;
  /** What to do before anything else. */
  first: string;
}

const EACH: Readonly<Record<AlarmId, Words>> = {
  leak: {
    title: 'Water where none should be',
    first:
      'Stay out of wet places near sockets and cut the power at the fuse if you must; then find where it runs.',
  },
  pumpOff: {
    title: 'The return pump stands still',
    first:
      'Move the water: an air pump on a battery, or a cup poured from a height. Then see why it stopped.',
  },
  ammoniaNow: {
    title: 'Free ammonia harms what lives in there',
    first:
      'No food, strong air, and a test by a kit at once; a large water change where it agrees.',
  },
  temperatureFar: {
    title: 'The temperature is far off',
    first:
      'Hold another thermometer in the water. Where it agrees, unplug the heater if it is too warm.',
  },
  ammoniaHigh: {
    title: 'Free ammonia stays high',
    first: 'No food, and look for what rots; then test by a kit.',
  },
  salinityRate: {
    title: 'Salinity moves by the hour',
    first: 'Stop the top-off, then look at its float and how much has run in.',
  },
  phJump: {
    title: 'pH jumped',
    first: 'Stop every dosing pump, and keep the bottle. Nothing is added against it.',
  },
  salinityFar: {
    title: 'Salinity is far off',
    first: 'Measure it with another instrument before you change anything, then stop the top-off.',
  },
  sumpHigh: {
    title: 'The sump is too full',
    first: 'Stop the top-off, and see whether a pump stands still or a drain is blocked.',
  },
  levelLow: {
    title: 'The water level is low',
    first: 'Look on the floor and under the tank, then at the top-off.',
  },
  temperatureOff: {
    title: 'The temperature leaves its range',
    first: 'Hold another thermometer in the water, then look at heater and room.',
  },
  salinityOff: {
    title: 'Salinity leaves its range',
    first: 'Measure it with another instrument, then look at the top-off.',
  },
  ammoniaUp: {
    title: 'Free ammonia is up',
    first: 'Test ammonia and pH by a kit, and feed nothing until you know.',
  },
  phHigh: {
    title: 'pH is too high',
    first: 'Stop what doses alkalinity, and let air from outside the room in.',
  },
  phLow: {
    title: 'pH stays low',
    first: 'Let fresh air into the room and see that the surface moves; test alkalinity.',
  },
  silent: {
    title: 'Nothing measures any more',
    first: 'Power or network: see whether pumps run and the surface moves. Air first.',
  },
};

export const alarmTitle = (id: AlarmId): string => EACH[id].title;
export const alarmFirst = (id: AlarmId): string => EACH[id].first;

/** A value of a channel with its unit, to as many decimals as a probe deserves. */
const SHOWN: Readonly<Record<ChannelId, (value: number) => string>> = {
  temperature: (value) => `${formatFixed(value, 1)} °C`,
  ph: (value) => `pH ${formatFixed(value, 2)}`,
  salinity: (value) => `${formatFixed(value, 1)} ppt`,
  freeAmmonia: (value) => `${formatFixed(value, 3)} ppm NH3-N`,
};
export const channelWords = (channel: ChannelId, value: number): string => SHOWN[channel](value);

/** The value that was farthest off, in words; empty where the alarm has none. */
export function alarmWorst(id: AlarmId, worst: number | undefined): string {
  const { watches } = ALARMS[id];
  if (worst === undefined || watches.by === 'switch' || watches.by === 'silence') return '';
  if (watches.by === 'rate') return `${formatFixed(worst, 1)} ppt an hour`;
  if (watches.by === 'jump') return `by ${formatFixed(worst, 2)} in ten minutes`;
  return channelWords(watches.channel, worst);
}
