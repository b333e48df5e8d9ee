import { emergency, testStep } from './shared';
import { salinityWords } from './words';

/** The salinity that a reef is brought back to, ppt. */
const GOAL = 35;

/** Salinity far from where it belongs. */
export const salinitySwing = emergency(
  'Salinity far off',
  { order: 5, sign: 'Over 37 or under 31 ppt' },
  [
    {
      id: 'stop',
      kind: 'check',
      span: 'now',
      title: 'Top-off unit off',
      text: () => 'It may be the cause, and it must not work against you.',
      caution: 'electricity',
    },
    {
      ...testStep(
        'test',
        'Test twice',
        'Rinse the instrument, check it in its standard, use a second one. Half of all swings are the meter.',
      ),
      span: 'now',
    },
    {
      id: 'back',
      kind: 'check',
      span: 'hour',
      title: 'Back in steps',
      text: (run, tank) => salinityWords(run, tank, GOAL),
    },
    {
      id: 'cause',
      kind: 'check',
      span: 'hour',
      title: 'Find the cause',
      text: () =>
        'Too high: an empty reservoir, salt water as top-off, a change mixed too strong. Too low: a float that stuck, a siphon from the reservoir, a leak topped up with fresh water.',
    },
    {
      ...testStep(
        'after',
        'Test each day',
        'Until it holds for three days. Corals and shrimps show it last.',
      ),
      span: 'day',
    },
  ],
);
