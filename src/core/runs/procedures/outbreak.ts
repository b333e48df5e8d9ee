import { clocksOfSteps, given, type Procedure, type Step } from '../procedure';

const steps: readonly Step[] = [
  {
    id: 'name',
    kind: 'check',
    title: 'Name it as well as you can',
    text: 'Ammonia, temperature and salinity tested first: bad water looks like disease. Pictures and a veterinarian; some parasites leave no days to lose.',
    opens: { form: 'reading', label: 'Log the test' },
    caution: 'medicine',
  },
  {
    id: 'room',
    kind: 'check',
    title: 'Quarantine for every fish',
    text: 'Bare, warm, with air, hides and a tight cover; salt water waiting. Tools of its own, hands washed between.',
    opens: { quarantine: 'begin', label: 'Begin a batch' },
  },
  {
    id: 'out',
    kind: 'check',
    title: 'Every fish out',
    text: 'With cups and traps, rock lifted if need be: one that stays keeps the parasite alive. Missing ones count as in, until they are found or given up.',
    opens: { form: 'animals', given: { move: 'out', group: 'fish' }, label: 'Log who went out' },
    caution: 'rockHands',
  },
  {
    id: 'feed',
    kind: 'check',
    title: 'Keep the filter fed',
    text: 'Without fish the filter bacteria starve: a pinch of food a day for the clean-up crew, corals and bacteria.',
    opens: { form: 'feed', label: 'Log a feeding' },
  },
  {
    id: 'nothingWet',
    kind: 'check',
    title: 'Nothing wet goes in',
    text: 'No coral, snail, rock, net or water from a system with fish: any of it starts the days anew.',
  },
  {
    id: 'wait',
    kind: 'check',
    title: 'The days without fish',
    text: (run) =>
      `${given(run, 'days', '76')} days from the last fish out. Quarantine shows how many are done; parasites that live free of fish are not starved by it.`,
    opens: { quarantine: 'outbreak', label: 'See the days' },
  },
];

/** A disease in the display: all fish out, and the days until they may come back. */
export const outbreak: Procedure = {
  name: 'Outbreak',
  also: null,
  steps,
  begins: { quarantine: 'outbreak', label: 'Choose the days' },
  ...clocksOfSteps(steps),
};
