import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** Longest side of a photo as it is kept, pixels: enough to tell one animal from another by. */
export const LONG_SIDE = 1024;
const HEAD = 'data:image/jpeg;base64,';

/** The size of a picture within a square, pixels; a small one is left as it is. */
export function fitWithin(
  width: number,
  height: number,
  side = LONG_SIDE,
): { width: number; height: number } {
  const share = Math.min(1, side / Math.max(width, height));
  return {
    width: Math.max(1, Math.round(width * share)),
    height: Math.max(1, Math.round(height * share)),
  };
}

/** The id of a photo: SHA-256 of its bytes as hex (FIPS 180-4). */
export function photoId(bytes: Uint8Array): string {
  return bytesToHex(sha256(bytes));
}

/** The bytes of a photo as the text that is kept. */
export function photoText(bytes: Uint8Array): string {
  let letters = '';
  for (const byte of bytes) letters += String.fromCharCode(byte);
  return HEAD + btoa(letters);
}

/** The bytes that a kept text stands for. @throws where it is none */
export function photoBytes(text: string): Uint8Array {
  return Uint8Array.from(atob(text.slice(HEAD.length)), (letter) => letter.charCodeAt(0));
}
