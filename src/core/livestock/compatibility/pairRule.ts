import { usualCm } from '../body';
import type { Finding, Home, Lodger, Of } from './types';

/** A rule from one animal towards another; asked each way round. */
export type PairRule = (a: Lodger, b: Lodger, home: Home) => Omit<Finding, 'between'> | null;

export const isFish = (lodger: Lodger): lodger is Lodger & { animal: Of<'fish'> } =>
  lodger.animal.group === 'fish';
export const isInvertebrate = (lodger: Lodger): lodger is Lodger & { animal: Of<'invertebrate'> } =>
  lodger.animal.group === 'invertebrate';
export const isCoral = (lodger: Lodger): lodger is Lodger & { animal: Of<'coral'> } =>
  lodger.animal.group === 'coral';

/** Length of one, cm: as it is, else as it is usually bought. */
export function lengthOf({ animal, sizeCm }: Lodger): number {
  return sizeCm ?? usualCm(animal);
}
