import type { EntryBody } from '../../records/kinds';
import { animalsCalled } from '../../records/kinds/animals';
import { formatPlain } from '../../units/format';
import type { AnimalsTold } from './animalsTold';

/** What a note tells of that is an entry of its own: offered, and never taken unasked. */
export type Told =
  | { is: 'waterChange'; litres: number | null; percent: number | null }
  | ({ is: 'animals' } & AnimalsTold);

export interface SheetOffer {
  id: string;
  where: string;
  tankId: string;
  at: string;
  /** The note that tells of it. */
  text: string;
  told: Told;
}

/**
 * The entry that an offer would be; null for a share of a tank whose water nobody knows.
 * @param netLitres net water of its tank, where that is known
 */
export function offerBody({ told }: SheetOffer, netLitres: number | null): EntryBody | null {
  if (told.is === 'animals') {
    const { is: _is, species, ...animals } = told;
    return { kind: 'animals', ...animals, ...(species === null ? {} : { species }) };
  }
  const { litres, percent } = told;
  const much =
    litres ?? (netLitres === null || percent === null ? null : (netLitres * percent) / 100);
  return much === null ? null : { kind: 'waterChange', litres: much, newWater: {} };
}

/** An entry that is offered, in a few words: "Water change, 40 L", "Clowns × 2 came in". */
export function offerWords(body: EntryBody): string {
  if (body.kind === 'waterChange') return `Water change, ${formatPlain(body.litres, 1)} L`;
  if (body.kind !== 'animals') return '';
  return `${animalsCalled(body.what, body.count)} ${body.move === 'died' ? 'died' : 'came in'}`;
}
