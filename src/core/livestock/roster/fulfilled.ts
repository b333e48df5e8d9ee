import type { EntryBody } from '../../records/kinds';
import type { RevisionOf } from '../../records/schema/revision';
import type { Wish } from '../../records/schema/wish';

/** What becomes of a wish: what is left of it, or null where all of it came. */
export interface Fulfilled {
  wish: RevisionOf<'wish'>;
  left: Wish | null;
  /** Of pairs some of which came by half: the other halves, as a wish of their own. */
  also?: Wish;
}

/**
 * The wishes of a tank that an entry fulfils: of its animal, in the order of the list, as far as those
 * that came go. A day that was pinned was theirs, so what is left of a wish is free of it.
 */
export function fulfilledBy(
  wishes: readonly RevisionOf<'wish'>[],
  tankId: string,
  entry: EntryBody,
): Fulfilled[] {
  if (entry.kind !== 'animals' || entry.move !== 'in' || entry.species === undefined) return [];
  let came = entry.count ?? 1;
  const { species } = entry;
  return wishes
    .filter(
      ({ body }) =>
        body.tankId === tankId && (body.species === species || body.partner === species),
    )
    .sort((a, b) => a.body.order - b.body.order)
    .flatMap((wish): Fulfilled[] => {
      if (came <= 0) return [];
      const left = wish.body.count - came;
      came -= wish.body.count;
      const { pinned: _was, partner, ...rest } = wish.body;
      // Of two that were to come together the other is still wished for.
      if (partner !== undefined) {
        const { sizeCm: _size, ...alone } = rest;
        const other = species === partner ? rest : { ...alone, species: partner };
        return left <= 0
          ? [{ wish, left: other }]
          : [
              {
                wish,
                left: { ...rest, partner, count: left },
                also: { ...other, count: rest.count - left },
              },
            ];
      }
      if (left <= 0) return [{ wish, left: null }];
      return [{ wish, left: { ...rest, count: left } }];
    });
}
