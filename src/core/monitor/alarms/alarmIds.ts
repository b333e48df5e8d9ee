/** Everything that may ring, in the order of how soon it kills. */
export const ALARM_IDS = [
  'leak',
  'pumpOff',
  'ammoniaNow',
  'temperatureFar',
  'ammoniaHigh',
  'salinityRate',
  'phJump',
  'salinityFar',
  'sumpHigh',
  'levelLow',
  'temperatureOff',
  'salinityOff',
  'ammoniaUp',
  'phHigh',
  'phLow',
  'silent',
] as const;
export type AlarmId = (typeof ALARM_IDS)[number];
