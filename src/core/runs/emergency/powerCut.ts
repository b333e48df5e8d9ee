import { noted } from '../procedure';
import { air, emergency, testStep } from './shared';
import { coolingWords } from './words';

/** The power gone: pumps and heater stand. */
export const powerCut = emergency(
  'Power cut',
  {
    order: 3,
    sign: 'Pumps and heater stand still',
    also: 'power cut blackout outage no electricity no flow battery air pump',
  },
  [
    {
      id: 'plugs',
      kind: 'check',
      span: 'now',
      title: 'Heater and lights unplugged',
      text: 'So that nothing starts at once when it comes back: a heater that stands dry, a pump that floods. Dry hands, dry floor.',
      caution: 'electricity',
    },
    {
      id: 'level',
      kind: 'check',
      span: 'now',
      title: 'Look at the sump',
      text: 'What drained down has to fit. Water still rising: the return line siphons, lift it out.',
    },
    {
      ...air,
      title: 'Move the surface',
      text: 'An air pump on a battery, or a jug lifted and poured every ten minutes. How long oxygen lasts cannot be told: it depends on fish, temperature and light. Watch their breathing.',
    },
    {
      id: 'feed',
      kind: 'check',
      span: 'now',
      title: 'No food, lid off, few visits',
      text: 'Full fish need more oxygen. The lid ajar, with a mesh over it: frightened fish jump.',
    },
    {
      id: 'room',
      kind: 'measure',
      span: 'hour',
      title: 'How warm is the room',
      text: (run, tank) => coolingWords(run, tank, noted(run, 'room')),
      asks: { label: 'The room', unit: '°C', low: -20, high: 50 },
    },
    {
      id: 'warm',
      kind: 'check',
      span: 'hour',
      title: 'Keep it warm',
      text: (run, tank) =>
        `${coolingWords(run, tank, noted(run, 'room'))} Blankets around the glass, never over vents or lamps. Closed bottles of warm water, swapped often; no open flame, no generator or grill indoors: the fumes kill people. Gas and mains are for licensed trades.`,
    },
    {
      id: 'filterBacteria',
      kind: 'check',
      span: 'hour',
      title: 'Media that stand still',
      text: 'After some hours a closed canister rots: open it, keep media wet and in moving water. Empty it out before it runs again.',
    },
    {
      id: 'back',
      kind: 'check',
      span: 'day',
      title: 'When it comes back',
      text: 'Return pump first, watch the level; then skimmer, heater once it is covered, light last. Clocks of timers set again.',
    },
    {
      ...testStep('after', 'Test a day later', 'Ammonia and temperature: what died shows late.'),
      span: 'day',
    },
  ],
);
