import { clocksOfSteps, given, type Procedure, type Step } from '../procedure';

const steps: readonly Step[] = [
  {
    id: 'search',
    span: 'now',
    kind: 'check',
    title: 'Find it',
    text: (run) =>
      `Look for ${given(run, 'what', 'it')}: behind and under rock, in the overflow, the sump and the socks, behind pumps, and on the floor within two metres. With a lamp after dark, if need be.`,
    caution: 'electricity',
  },
  {
    id: 'remove',
    span: 'now',
    kind: 'check',
    title: 'Take it out',
    text: 'Whole, with a cup or tongs, and into the household waste: never into the wild. What is not found goes on rotting, so keep looking and test every day.',
    caution: 'deadAnimal',
  },
  {
    id: 'others',
    span: 'hour',
    kind: 'check',
    title: 'Look at the others',
    text: 'Breathing, spots, torn fins, who hides, who hunts. What is seen goes into the log; a veterinarian about any sign of disease.',
    opens: { form: 'observation', label: 'Log what you see' },
  },
  {
    id: 'test',
    span: 'hour',
    kind: 'check',
    title: 'Test ammonia now',
    text: 'Ammonia first, then pH, temperature and salinity: a cause may stand there as well.',
    opens: { form: 'reading', label: 'Log the test' },
  },
  {
    id: 'wait',
    span: 'day',
    kind: 'wait',
    title: 'A day later',
    text: 'What died yesterday shows as ammonia today. Feed little meanwhile.',
    minutes: () => 24 * 60,
  },
  {
    id: 'again',
    span: 'day',
    kind: 'check',
    title: 'Test ammonia again',
    text: 'Under 0.02 mg/L of free ammonia all is well. Above 0.05: change water now, matched in temperature, salinity and pH, and ask why the filter does not follow.',
    opens: { form: 'reading', label: 'Log the test' },
  },
];

/** What is done when an animal died or is missing. */
export const loss: Procedure = {
  name: 'Dead or missing animal',
  also: null,
  urgent: { order: 8, sign: 'Found dead, or not seen for a day' },
  steps,
  ...clocksOfSteps(steps),
};
