import { binderWords } from '../../quarantine/medicine/binder';
import { instant } from '../../time/zone';
import { air, emergency, testStep } from './shared';
import { changeWords } from './words';

/** Ammonia in the water, or fish that gasp. */
export const ammoniaSpike = emergency(
  'Ammonia, or fish gasping',
  {
    order: 1,
    sign: 'Ammonia reads, fish hang at the surface, water is cloudy',
    also: 'gasping at the surface breathing fast ammonia burn new tank fish dying NH3',
  },
  [
    air,
    {
      id: 'feed',
      kind: 'check',
      span: 'now',
      title: 'No food, and find what rots',
      text: 'No feeding today. Take out leftovers and what died; look behind rock, in the overflow and the socks.',
      caution: 'deadAnimal',
    },
    {
      ...testStep(
        'test',
        'Test ammonia, pH and temperature',
        'The three decide how poisonous it is. Log them: the next step is worked out from them.',
      ),
      span: 'now',
    },
    {
      id: 'change',
      kind: 'measure',
      span: 'hour',
      title: 'Change water',
      text: changeWords,
      asks: { label: 'Changed', unit: 'L', low: 0.1, high: 20_000 },
    },
    {
      id: 'bind',
      kind: 'check',
      span: 'hour',
      title: 'A binder, only where no copper is in',
      text: (run, tank) =>
        `${binderWords(tank, instant(run.begunAt))} Bottled bacteria may help, and take days. Carbon does not take ammonia. No medicine meanwhile without a veterinarian.`,
      opens: {
        form: 'dose',
        given: { substance: 'ammoniaBinder' },
        label: 'Log a binder, checked',
      },
      caution: 'medicine',
    },
    {
      ...testStep(
        'again',
        'Test again after an hour',
        'Ammonia and pH. As long as free ammonia is over 0.02 mg/L, change again, at most half at a time, until it is under it today.',
      ),
    },
    {
      id: 'day',
      kind: 'check',
      span: 'day',
      title: 'Twice a day, and why',
      text: 'Test morning and evening until it reads zero for two days. Then ask why: a death, a new animal, a medicine, a filter that stood still, media washed under the tap.',
    },
  ],
);
