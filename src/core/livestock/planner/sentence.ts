import { formatPlain } from '../../units/format';
import type { StockFacts } from './facts';
import type { Plan } from './types';

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five'] as const;

/** What stands first on Stock: whether there is room, and what sets it. */
export function stockSentence(
  plan: Plan | null,
  facts: Pick<StockFacts, 'isReady' | 'cohorts'>,
): { title: string; text: string } {
  const empty = facts.cohorts.every(({ group }) => group !== 'fish');
  if (!facts.isReady) {
    return {
      title: 'Not ready for animals.',
      text: 'The cycle comes first. What you wish for is dated by its forecast all the same.',
    };
  }
  if (!plan) {
    return {
      title: 'Who lives here.',
      text: 'What the filter carries is being worked out from your readings.',
    };
  }
  const { now, feedingLimit, carries, smallFish } = plan.load;
  const limits = [
    ...(carries
      ? [{ most: carries.low, why: 'what the filter carries, from the low end, is the limit' }]
      : []),
    ...(feedingLimit === null
      ? []
      : [
          {
            most: feedingLimit,
            why: empty
              ? 'the first addition is two small fish or a pair, whatever the filter proved'
              : 'doubling the food within a month is the limit you chose',
          },
        ]),
  ].sort((a, b) => a.most - b.most);
  const [first, second] = limits;
  if (!first) {
    return { title: 'Room by your pace.', text: 'The model sets no figure for this tank yet.' };
  }
  const room = (most: number) => Math.max(0, Math.floor((most - now) / smallFish));
  const fits = room(first.most);
  const word = NUMBERS[fits] ?? 'several';
  const title = fits === 0 ? 'No room for more just now.' : `Room for ${word} small fish.`;
  const other =
    second && room(second.most) > fits
      ? `${second.why.startsWith('what') ? 'The filter' : 'Your pace'} has room for ${NUMBERS[room(second.most)] ?? formatPlain(room(second.most))}; ${first.why}.`
      : `${first.why.charAt(0).toUpperCase()}${first.why.slice(1)}.`;
  return { title, text: other };
}
