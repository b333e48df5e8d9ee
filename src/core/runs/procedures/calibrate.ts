import { clocksOfSteps, type Procedure, type Step } from '../procedure';

const steps: readonly Step[] = [
  {
    id: 'which',
    kind: 'choose',
    title: 'Which instrument',
    text: 'Each has a routine of its own.',
    choices: [
      {
        value: 'refractometer',
        label: 'Refractometer',
        note: 'With a fluid of 35 ppt, not with fresh water: a scale that is right at 0 may be wrong at 35',
      },
      {
        value: 'conductivity',
        label: 'Conductivity pen',
        note: 'With its own standard at a known temperature, once a month',
      },
      { value: 'ph', label: 'pH pen', note: 'With two fresh buffers, the nearer one last' },
      {
        value: 'thermometer',
        label: 'Thermometer',
        note: 'Beside one you trust, in one glass of water',
      },
    ],
  },
  {
    id: 'clean',
    kind: 'check',
    title: 'Clean it',
    text: (run) =>
      run.steps.which?.value === 'ph'
        ? 'Rinse the probe in purified water and dab, never wipe, it dry. A probe that dried out soaks for a night in its storage fluid.'
        : run.steps.which?.value === 'refractometer'
          ? 'Prism and cover wiped with purified water and a soft cloth.'
          : 'Rinse it in purified water, and shake it dry.',
  },
  {
    id: 'settle',
    kind: 'wait',
    title: 'Let both come to one temperature',
    text: 'Instrument and standard side by side in the room. Warm fluid on cold glass reads wrong.',
    minutes: () => 10,
  },
  {
    id: 'read',
    kind: 'check',
    title: 'Read it, then set it',
    text: 'Note what it shows in the standard before you turn anything: that is what the past is read anew by. Fluid from a fresh pack, and none poured back.',
    opens: { form: 'calibration', label: 'Log the calibration' },
  },
];

/** Checking an instrument against its standard. */
export const calibrate: Procedure = {
  name: 'Calibrate',
  also: 'refractometer pH pen conductivity standard',
  steps,
  ...clocksOfSteps(steps),
};
