import { formatPlain } from '../../units/format';
import type { ProblemKit } from '../problem/types';

/** "0.5 or less", "1 to 2", "5 or more": a run of cells by the steps printed on the card. */
export function readingWordsOf(
  cells: readonly { words: number }[],
  from: number,
  to: number,
  kit: ProblemKit,
): string {
  const text = (index: number) => formatPlain(cells[index]?.words ?? 0, kit.card ? 3 : 2);
  if (from === 0 && to === cells.length - 1) return 'anything';
  if (from === to) return text(from);
  if (from === 0) return `${text(to)} or less`;
  if (to === cells.length - 1) return `${text(from)} or more`;
  return `${text(from)} to ${text(to)}`;
}
