import type { GuideId } from '@/frame/guideQuestions';

export const PAGE_GROUPS = ['start', 'cycle', 'animals', 'running'] as const;
export type PageGroup = (typeof PAGE_GROUPS)[number];

export const PAGE_GROUP_WORDS: Readonly<Record<PageGroup, string>> = {
  start: 'Starting',
  cycle: 'Cycling',
  animals: 'Animals',
  running: 'Running a tank',
};

/** Its question stands with it, or where the screens find it that lead here. */
type Asked = { id: GuideId; question?: never } | { id: string; question: string };

/** One question of a keeper, answered. */
export type GuidePage = Asked & {
  group: PageGroup;
  /** The answer in a sentence or two. */
  answer: string;
  /** Why, and what it trades; text between double asterisks is set strong. */
  text: readonly string[];
  /** Where it is done, worked out or looked up. */
  does: readonly { label: string; open: string }[];
  /** What else people type who mean this. */
  also: string;
};
