/** What drafts were called before they took the words of the screen: what is half typed outlives an update. */
const RENAMED: readonly (readonly [before: RegExp, now: string])[] = [
  [/^bench\//, 'calculators/'],
  [/^rhythm\//, 'chores/'],
  [/^school\//, 'doneRule/'],
  [/^lot\//, 'cohort/'],
  [/^look\//, 'dailyCheck/'],
  [/^response\//, 'growthMeasure/'],
];
/** Drafts that are kept as typed text lie under this, before their name. */
const TYPED = 'typed/';

/** The name of a draft today; its own where it was never called otherwise. */
export function draftNow(name: string): string {
  const typed = name.startsWith(TYPED);
  const bare = typed ? name.slice(TYPED.length) : name;
  const renamed = RENAMED.find(([before]) => before.test(bare));
  if (!renamed) return name;
  return `${typed ? TYPED : ''}${bare.replace(renamed[0], renamed[1])}`;
}
