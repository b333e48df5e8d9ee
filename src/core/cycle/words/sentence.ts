import type { Forecast } from '../forecast/types';
import type { Criterion, Verdict } from '../verdict/types';

/** The first thing a screen says: a short title and the evidence in a sentence or two. */
export interface Sentence {
  title: string;
  detail: string;
}

/** Criteria of a role that are not met. */
export function unmet(verdict: Verdict, role: Criterion['role']): Criterion[] {
  return verdict.criteria.filter((c) => c.role === role && c.state !== 'met');
}

/** What the sentence needs of a forecast. */
export type SentenceForecast = Pick<
  Forecast,
  'milestones' | 'clears' | 'misfit' | 'fed' | 'nextTest'
>;

/** What is said where the tests show it all and the forecast does not agree, or has not answered. */
export function withheldSentence({ criteria }: Verdict, title: string): Sentence {
  const last = criteria.find((c) => c.id === 'forecastAgrees');
  if (!last) return { title, detail: '' };
  return last.state === 'cannot tell'
    ? {
        title: 'Cannot tell for a moment.',
        detail: `Tests show all that is asked. ${last.because}`,
      }
    : {
        title,
        detail: `Tests show all that is asked. ${last.because} ${last.settle ?? ''}`.trim(),
      };
}
