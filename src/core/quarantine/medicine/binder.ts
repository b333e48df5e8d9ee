import type { TankHistory } from '../../history/tankHistory';
import { copperIn } from './copper';

/** What goes in with copper in the water, in place of a binder. */
const CHANGES =
  'Keep ammonia down with changes of purified water and salt instead: no binder, no dechlorinator. Its price: up to half of the water a day, mixed and matched ahead.';

/** Whether a binder may go in, and what is done where it may not: said wherever one is spoken of. */
export function binderWords(history: TankHistory | null, at: number): string {
  const copper = history === null ? null : copperIn(history, at);
  if (copper !== null) {
    return `${copper} is in this water, and copper with a binder or dechlorinator that reduces becomes deadly. ${CHANGES}`;
  }
  return 'A binder by its label buys time, but never where copper or a medicine of unknown label is in the water, nor where its own label is silent about that. It makes many test kits read wrong: its label says which.';
}
