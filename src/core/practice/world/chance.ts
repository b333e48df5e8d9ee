import { exactNormal } from '../../math/exact';

/** What chance is asked about: each has numbers of its own, so that asking one more changes no other. */
export const MECHANISMS = ['nature', 'room', 'hand', 'eye', 'kit', 'animal'] as const;
export type Mechanism = (typeof MECHANISMS)[number];

/**
 * Chance as a hash of seed, mechanism, subject and hour, never a stream of numbers: leaving one deed out
 * then changes what follows from it and nothing else.
 */
export interface Chance {
  /** Even between 0 and 1, both left out. */
  even: (mechanism: Mechanism, subject: string, hour?: number) => number;
  /** Standard normal. */
  normal: (mechanism: Mechanism, subject: string, hour?: number) => number;
}

/** 32 bits mixed so that each comes to depend on every other (MurmurHash3's end, Austin Appleby, public domain). */
function mixed(bits: number): number {
  let h = bits;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** A text as 32 bits (FNV-1a, Fowler, Noll and Vo, public domain). */
function bitsOf(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

const RANGE = 4294967296;

export function chanceOf(seed: number): Chance {
  const known = new Map<string, number>();
  const subjectBits = (mechanism: Mechanism, subject: string): number => {
    const name = `${mechanism}/${subject}`;
    let bits = known.get(name);
    if (bits === undefined) {
      bits = mixed(bitsOf(name) ^ mixed(seed + 0x9e3779b9));
      known.set(name, bits);
    }
    return bits;
  };
  const even = (mechanism: Mechanism, subject: string, hour = 0) =>
    (mixed(subjectBits(mechanism, subject) + Math.imul(hour + 1, 0x9e3779b1)) + 0.5) / RANGE;
  return {
    even,
    normal: (mechanism, subject, hour = 0) =>
      exactNormal(even(mechanism, subject, hour), even(mechanism, `${subject}/turn`, hour)),
  };
}
