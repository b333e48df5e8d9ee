import { chosen, noted } from '../procedure';
import { emergency, testStep } from './shared';
import { coolingWords } from './words';

/** A heater stuck on or off. */
export const heaterFault = emergency(
  'Heater stuck on or off',
  {
    order: 4,
    sign: 'Water far too warm or too cold',
    also: 'too cold too hot heater stuck on broken chiller',
  },
  [
    {
      id: 'plug',
      kind: 'check',
      span: 'now',
      title: 'Unplug it',
      text: 'Stuck on or off, it comes off the mains, and out only once it has cooled for 20 minutes.',
      caution: 'unplugFirst',
    },
    {
      ...testStep(
        'test',
        'A second thermometer',
        'Before anything is done by one reading: hold another beside it, and log what it says.',
      ),
      span: 'now',
    },
    {
      id: 'which',
      kind: 'choose',
      span: 'now',
      title: 'Too warm or too cold',
      text: 'Either is undone slowly: by **1 °C (2 °F) an hour** at most.',
      choices: [
        { value: 'hot', label: 'Too warm', note: 'Over 28.5 °C (83 °F)' },
        { value: 'cold', label: 'Too cold', note: 'Under 23 °C (73 °F)' },
      ],
    },
    {
      id: 'hot',
      kind: 'check',
      span: 'hour',
      title: 'Cool it',
      text: 'Air on, lid open, lights off, a fan over the surface. Closed bottles of ice in the sump, one at a time. No ice in the water, no cold water poured in.',
      applies: (run) => chosen(run, 'which') === 'hot',
      caution: 'electricity',
    },
    {
      id: 'room',
      kind: 'measure',
      span: 'hour',
      title: 'How warm is the room',
      text: (run, tank) => coolingWords(run, tank, noted(run, 'room')),
      asks: { label: 'The room', unit: '°C', low: -20, high: 50 },
      applies: (run) => chosen(run, 'which') === 'cold',
    },
    {
      id: 'cold',
      kind: 'check',
      span: 'hour',
      title: 'Warm it',
      text: 'A spare heater, or closed bottles of warm water, swapped often. Cold fish are not fed.',
      applies: (run) => chosen(run, 'which') === 'cold',
    },
    {
      id: 'replace',
      kind: 'check',
      span: 'day',
      title: 'A new one, and a second guard',
      text: 'Two half-size heaters on a controller with a probe of its own. The old one is not mended.',
      opens: { sum: 'heater', label: 'What size' },
    },
    {
      ...testStep(
        'after',
        'Test a day later',
        'Ammonia and temperature: warm water held less oxygen, and what died shows late.',
      ),
      span: 'day',
    },
  ],
);
