import { chosen } from '../procedure';
import { air, emergency, testStep } from './shared';

/** Too much of something that was dosed. */
export const overdose = emergency(
  'Too much was dosed',
  {
    order: 8,
    sign: 'A dosing pump that ran on, a cap too many, two people who dosed',
    also: 'too much dosed double dose dosing pump stuck',
  },
  [
    {
      id: 'stop',
      kind: 'check',
      span: 'now',
      title: 'Stop it, and keep the bottle',
      text: 'Dosing pumps unplugged. Nothing is added against it: one chemical on top of another often does more harm. What its label says of too much comes first, and its maker or a veterinarian knows more.',
      caution: 'electricity',
    },
    air,
    {
      id: 'change',
      kind: 'check',
      span: 'now',
      title: 'Dilute it',
      text: (_run, tank) =>
        `${tank ? `Half of the water, **${Math.round(tank.netLitres / 2)} L**` : 'Half of the water'}, matched in temperature and salinity; again after some hours where a test still reads high. Where copper or any medicine is in the water: purified water and salt, **no binder and no dechlorinator**.`,
    },
    {
      id: 'which',
      kind: 'choose',
      span: 'hour',
      title: 'What it was',
      text: 'What follows differs.',
      choices: [
        {
          value: 'alkaline',
          label: 'Alkalinity, kalk or two-part',
          note: 'pH and alkalinity climb; the water may turn white',
        },
        { value: 'ammonia', label: 'Ammonia', note: 'Meant for the cycle' },
        { value: 'medicine', label: 'A medicine', note: 'Copper, formaldehyde, an antibiotic' },
        { value: 'other', label: 'Something else', note: 'Traces, carbon source, food' },
      ],
    },
    {
      id: 'alkaline',
      kind: 'check',
      span: 'hour',
      title: 'pH first',
      text: 'Above 8.6 it harms: strong air from outside the room, and the change above. White water is lime falling out: it settles, and takes alkalinity with it. Alkalinity goes back by itself or by changes, never by acid.',
      applies: (run) => chosen(run, 'which') === 'alkaline',
    },
    {
      id: 'medicine',
      kind: 'check',
      span: 'hour',
      title: 'Carbon, where its label says so',
      text: 'Carbon takes many medicines out, and no copper for certain: a test of zero says that it is gone. Strong air, since several lower oxygen. A veterinarian for what suffers.',
      applies: (run) => chosen(run, 'which') === 'medicine',
      caution: 'medicine',
    },
    testStep(
      'test',
      'Test what was dosed, pH and ammonia',
      'An hour after the change, and again in the evening.',
    ),
    {
      id: 'day',
      kind: 'check',
      span: 'day',
      title: 'Before it doses again',
      text: 'How it came about: a float, a timer, a clogged tube, a wrong unit. A bottle that holds no more than a day bears is the best guard.',
    },
  ],
);
