import { QUESTIONS } from '@/frame/guideQuestions';
import { ANIMALS } from './animals';
import { CYCLE } from './cycle';
import type { GuidePage } from './page';
import { RUNNING } from './running';
import { START } from './start';

export { PAGE_GROUPS, PAGE_GROUP_WORDS } from './page';

type AnsweredPage = Omit<GuidePage, 'question'> & { question: string };

/** Every page, in the order in which a tank needs them. */
export const GUIDE_PAGES: readonly AnsweredPage[] = [
  ...START,
  ...CYCLE,
  ...ANIMALS,
  ...RUNNING,
].map((page) => ({ ...page, question: page.question ?? QUESTIONS[page.id] }));
