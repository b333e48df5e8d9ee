/** Two 32-bit hashes of a text (cyrb53, bryc, public domain), started from a seed. */
function hashPair(text: string, seed: number): [number, number] {
  let a = 0xdeadbeef ^ seed;
  let b = 0x41c6ce57 ^ seed;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  return mixed(a, b);
}

/** The end of the hash: every bit comes to depend on every other. */
function mixed(a: number, b: number): [number, number] {
  const first = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  const second =
    Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(first ^ (first >>> 13), 3266489909);
  return [first >>> 0, second >>> 0];
}

/** A 53-bit hash of a text, as hex: names a cached result. */
export function hashText(text: string): string {
  const [a, b] = hashPair(text, 0);
  return (4294967296 * (2097151 & b) + a).toString(16);
}

const BYTES = Array.from({ length: 256 }, (_, byte) => byte.toString(16).padStart(2, '0'));
/** 16 bits as four digits of hex. */
const hex4 = (part: number): string =>
  (BYTES[(part >>> 8) & 255] as string) + (BYTES[part & 255] as string);
/** 32 bits as eight digits of hex. */
const hex8 = (part: number): string => hex4(part >>> 16) + hex4(part);

/**
 * An id made from a text, the same whenever and wherever it is made: a UUID of version 8, whose
 * bits are the maker's own (RFC 9562, 5.8). Both hashes go over the text at once: a sheet makes twenty thousand.
 */
export function derivedId(text: string): string {
  let [a, b] = [0xdeadbeef ^ 1, 0x41c6ce57 ^ 1];
  let [c, d] = [0xdeadbeef ^ 2, 0x41c6ce57 ^ 2];
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
    c = Math.imul(c ^ code, 2654435761);
    d = Math.imul(d ^ code, 1597334677);
  }
  const [one, two] = mixed(a, b);
  const [three, four] = mixed(c, d);
  const version = 0x8000 | (two & 0xfff);
  const variant = 0x8000 | ((three >>> 16) & 0x3fff);
  return `${hex8(one)}-${hex4(two >>> 16)}-${hex4(version)}-${hex4(variant)}-${hex4(three)}${hex8(four)}`;
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
