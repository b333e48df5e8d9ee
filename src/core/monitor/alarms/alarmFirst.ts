import type { AlarmId } from './alarmIds';

/** What to do before anything else. */
const FIRST: Readonly<Record<AlarmId, string>> = {
  leak: 'Stay out of wet places near sockets and cut the power at the fuse if you must; then find where it runs.',
  pumpOff:
    'Move the water: an air pump on a battery, or a cup poured from a height. Then see why it stopped.',
  ammoniaNow:
    'No food, strong air, and a test by a kit at once; a large water change where it agrees.',
  temperatureFar:
    'Hold another thermometer in the water. Where it agrees, unplug the heater if it is too warm.',
  ammoniaHigh: 'No food, and look for what rots; then test by a kit.',
  salinityRate: 'Stop the top-off, then look at its float and how much has run in.',
  phJump: 'Stop every dosing pump, and keep the bottle. Nothing is added against it.',
  salinityFar:
    'Measure it with another instrument before you change anything, then stop the top-off.',
  sumpHigh: 'Stop the top-off, and see whether a pump stands still or a drain is blocked.',
  levelLow: 'Look on the floor and under the tank, then at the top-off.',
  temperatureOff: 'Hold another thermometer in the water, then look at heater and room.',
  salinityOff: 'Measure it with another instrument, then look at the top-off.',
  ammoniaUp: 'Test ammonia and pH by a kit, and feed nothing until you know.',
  phHigh: 'Stop what doses alkalinity, and let air from outside the room in.',
  phLow: 'Let fresh air into the room and see that the surface moves; test alkalinity.',
  silent: 'Power or network: see whether pumps run and the surface moves. Air first.',
};

/** Of several monitors one alone is silent: a socket may have lost its power, and the pumps with it. */
const ONE_OF_SEVERAL =
  'Another monitor still answers. See whether the pumps run here, then look at this monitor’s plug and its network.';

/** @param othersAnswer another monitor is not silent */
export const alarmFirst = (id: AlarmId, othersAnswer = false): string =>
  id === 'silent' && othersAnswer ? ONE_OF_SEVERAL : FIRST[id];
