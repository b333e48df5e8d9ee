/** What drafts were called before they took the words of the screen: what is half typed outlives an update. */
const NOW: Readonly<Record<string, string>> = {
  bench: 'calculators',
  rhythm: 'chores',
  school: 'doneRule',
  lot: 'cohort',
  look: 'dailyCheck',
  response: 'growthMeasure',
};

/**
 * The name of a draft today; its own where it was never called otherwise. Those kept as typed text lie
 * under `typed/`, before what they are called.
 */
export function draftNow(name: string): string {
  return name.replace(/^(typed\/)?(\w+)(?=\/)/, (all, typed: string | undefined, of: string) =>
    Object.hasOwn(NOW, of) ? `${typed ?? ''}${NOW[of]}` : all,
  );
}
