/** Beyond this from certainty a chance is not told apart from it. */
const EDGE = 0.05;

/** "about 4 in 10", "less than 1 in 20", "more than 9 in 10": a chance never said to be certain. */
export function chanceWords(chance: number): string {
  if (chance < EDGE) return 'less than 1 in 20';
  if (chance > 1 - EDGE) return 'more than 9 in 10';
  return `about ${Math.max(1, Math.min(9, Math.round(chance * 10)))} in 10`;
}
