import { chosen } from '../procedure';
import { emergency, testStep } from './shared';

/** Water where it should not be. */
export const leak = emergency(
  'Leak or overflow',
  {
    order: 2,
    sign: 'Water on the floor',
    also: 'water on the floor flood sump overflow cracked seam',
  },
  [
    {
      id: 'fuse',
      kind: 'check',
      span: 'now',
      title: 'The fuse, before you step into it',
      text: '**Water and cords on the floor: the fuse first**, from a dry place. Then pumps and top-off unit out.',
      caution: 'electricity',
    },
    {
      id: 'where',
      kind: 'choose',
      span: 'now',
      title: 'Where from',
      text: 'Dry it, lay paper along the seams, and look.',
      choices: [
        {
          value: 'over',
          label: 'Ran over',
          note: 'Sump, skimmer cup, top-off, a blocked overflow',
        },
        { value: 'pipe', label: 'A hose or a joint', note: 'Under the stand, at the purifier' },
        { value: 'pane', label: 'A seam or a pane', note: 'Drips from the tank itself' },
      ],
    },
    {
      id: 'over',
      kind: 'check',
      span: 'now',
      title: 'It ran over',
      text: 'Clear the overflow, empty the cup, close the top-off. What ran out was salt water, what ran in perhaps fresh: salinity is tested before anything is filled up.',
      applies: (run) => chosen(run, 'where') === 'over',
    },
    {
      id: 'pipe',
      kind: 'check',
      span: 'now',
      title: 'Close the valve before it',
      text: 'At the purifier: the tap. A union is tightened by hand, glue takes a day to cure. The pumps stay off till then; air keeps the animals.',
      applies: (run) => chosen(run, 'where') === 'pipe',
    },
    {
      id: 'pane',
      kind: 'check',
      span: 'now',
      title: 'Lower the water, get the animals out',
      text: 'Siphon into clean buckets till the leak is dry: keep every litre. Animals into lidded tubs with its water, an air stone and the heater. **A cracked pane is never filled again**; nobody kneels before it.',
      applies: (run) => chosen(run, 'where') === 'pane',
      caution: 'glass',
    },
    {
      id: 'lost',
      kind: 'measure',
      span: 'hour',
      title: 'How much is gone',
      text: 'By the marks of the buckets, or the level. It is made up with salt water of the same salinity and temperature.',
      asks: { label: 'Went out', unit: 'L', low: 0, high: 20_000 },
    },
    testStep(
      'test',
      'Test salinity and temperature',
      'Before filling up, and again an hour after.',
    ),
    {
      id: 'below',
      kind: 'check',
      span: 'day',
      title: 'Floor, ceiling, sockets',
      text: 'Salt water conducts and creeps: a wet socket or a ceiling below is for an electrician. Photograph it for the insurance.',
      caution: 'electricity',
    },
  ],
);
