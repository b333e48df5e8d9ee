import { emergency, testStep } from './shared';

/** A fish that jumped. */
export const fishOnFloor = emergency(
  'A fish on the floor',
  {
    order: 10,
    sign: 'It jumped; dry and still does not mean dead',
    also: 'jumped carpet surfed out of the tank dried',
  },
  [
    {
      id: 'back',
      kind: 'check',
      span: 'now',
      title: 'Back into its water, wet hands',
      text: 'Wet hands or a wet cloth, never dry: a dry hand takes its slime off. Even one that lies stiff may live. Gloves for lionfish, foxfaces and tangs.',
      caution: 'venom',
    },
    {
      id: 'box',
      kind: 'check',
      span: 'now',
      title: 'In a box, in the flow of an air stone',
      text: 'A breeding box or a colander in the tank, lights off: others peck at it, and it cannot swim yet. Held gently upright facing a soft stream of air bubbles, not moved to and fro.',
    },
    {
      id: 'others',
      kind: 'check',
      span: 'hour',
      title: 'Why it jumped',
      text: 'Chased, a light that came on, bad water, or simply at dusk. Look at the others: fast breathing in several of them means the water.',
    },
    testStep('test', 'Test ammonia, pH and temperature', 'Bad water drives fish out.'),
    {
      id: 'watch',
      kind: 'check',
      span: 'day',
      title: 'Watch skin, eyes and fins',
      text: 'Scrapes turn white or red within days: clean water heals most, a veterinarian decides on the rest. No medicine by habit.',
      opens: { form: 'observation', label: 'Log how it is' },
    },
    {
      id: 'lid',
      kind: 'check',
      span: 'day',
      title: 'Close the gap',
      text: 'A mesh over all of it, gaps for cords and pipes too: any fish jumps once.',
      opens: { form: 'lid', label: 'Log the lid' },
    },
  ],
);
