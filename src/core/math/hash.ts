/** Two 32-bit hashes of a text (cyrb53, bryc, public domain), started from a seed. */
function hashPair(text: string, seed: number): [number, number] {
  let a = 0xdeadbeef ^ seed;
  let b = 0x41c6ce57 ^ seed;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return [a >>> 0, b >>> 0];
}

/** A 53-bit hash of a text, as hex: names a cached result. */
export function hashText(text: string): string {
  const [a, b] = hashPair(text, 0);
  return (4294967296 * (2097151 & b) + a).toString(16);
}

/**
 * An id made from a text, the same whenever and wherever it is made: a UUID of version 8, whose
 * bits are the maker's own (RFC 9562, 5.8).
 */
export function derivedId(text: string): string {
  const hex = [...hashPair(text, 1), ...hashPair(text, 2)]
    .map((part) => part.toString(16).padStart(8, '0'))
    .join('');
  const variant = ((Number.parseInt(hex[16] ?? '0', 16) & 3) | 8).toString(16);
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-${variant}${hex.slice(17, 20)}-${hex.slice(20)}`;
}

/** Parts of one act whose order its ids keep. */
const PARTS = 4096;

/**
 * The id of the nth part of an act, the same whenever it is made. It begins with the act's own
 * moment, as a UUID of version 7 does, and counts on: of two entries at one time the later made
 * comes later.
 */
export function partId(actId: string, n: number): string {
  const own = derivedId(`${actId}/${n}`);
  return `${actId.slice(0, 13)}-8${(n % PARTS).toString(16).padStart(3, '0')}${own.slice(18)}`;
}
