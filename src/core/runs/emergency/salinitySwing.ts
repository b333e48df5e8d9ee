import { emergency, testStep } from './shared';
import { salinityWords } from './words';

/** Salinity far from where it belongs. */
export const salinitySwing = emergency(
  'Salinity far off',
  {
    order: 5,
    sign: 'Over 37 or under 31 ppt in a reef; not a tank kept low on purpose',
    also: 'SG salinity crashed top-off stuck too low too high',
  },
  [
    {
      id: 'stop',
      kind: 'check',
      span: 'now',
      title: 'Top-off unit off',
      text: 'It may be the cause, and it must not work against you.',
      caution: 'electricity',
    },
    {
      ...testStep(
        'test',
        'Test twice',
        'Rinse the instrument, check it in its standard, use a second one. Often it is the meter.',
      ),
      span: 'now',
    },
    {
      id: 'when',
      kind: 'choose',
      span: 'hour',
      title: 'When it changed',
      text: 'What animals have taken to over days is undone slowly; what came within a day is undone sooner.',
      choices: [
        {
          value: 'recent',
          label: 'Within the last day',
          note: 'A top-off unit that ran in, a change mixed wrong, salt water as top-off',
        },
        { value: 'drifted', label: 'Over days or weeks', note: 'Drifted, test by test' },
        { value: 'unknown', label: 'Nobody can say', note: 'Taken as slow' },
      ],
    },
    {
      id: 'back',
      kind: 'check',
      span: 'hour',
      title: 'Back in steps',
      text: (run, tank) =>
        `${salinityWords(run, tank)} A tank under a low-salinity protocol, or matched to a bag, goes to that and is no emergency.`,
    },
    {
      id: 'cause',
      kind: 'check',
      span: 'hour',
      title: 'Find the cause',
      text: 'Too high: an empty reservoir, salt water as top-off, a change mixed too strong. Too low: a float that stuck, a siphon from the reservoir, a leak topped up with fresh water.',
    },
    {
      ...testStep(
        'after',
        'Test each day',
        'Until it holds for three days. Corals and shrimps suffer longest: none is left thin or salty for a week.',
      ),
      span: 'day',
    },
  ],
);
