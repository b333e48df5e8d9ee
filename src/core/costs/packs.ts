/** A product that is bought in packs: salt by its kilograms, anything else by the litres a pack is for. */
export interface Pack {
  name: string;
  by: 'salt' | 'litres';
  /** kg in a pack, or litres of water that one is for by its label. */
  size: number;
  price: number;
  /** Of salt: grams for a litre at 35 ppt. */
  yield: number;
}

/** How much of a product some water takes. */
export interface PacksNeeded {
  /** As a number of packs, not rounded, and as whole ones. */
  exact: number;
  packs: number;
  /** What whole packs cost, and what the part that is used does. */
  paid: number;
  used: number;
}

/**
 * Packs that an amount of water takes.
 * @param litres of new salt water, or of the tank that a product treats
 * @throws RangeError where a size is not above zero
 */
export function packsFor({ by, size, price, yield: grams }: Pack, litres: number): PacksNeeded {
  if (!(size > 0)) throw new RangeError('A pack holds something.');
  const exact = by === 'salt' ? (litres * grams) / 1000 / size : litres / size;
  const packs = Math.ceil(exact - 1e-9);
  return { exact, packs, paid: packs * price, used: exact * price };
}
