export type Decoded = { ok: true; text: string } | { ok: false; why: string };

/** Bytes looked at for the zeros that every second byte of UTF-16 is in plain English. */
const LOOKED_AT = 64;

function encodingOf(bytes: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, LOOKED_AT);
  const zeros = (rest: number) => head.filter((byte, i) => i % 2 === rest && byte === 0).length;
  if (zeros(1) > head.length / 4) return 'utf-16le';
  return zeros(0) > head.length / 4 ? 'utf-16be' : 'utf-8';
}

/**
 * The text of a file: UTF-8, or the UTF-16 that some editors save, which is told by its mark or by the
 * zeros between its letters.
 */
export function decodeText(bytes: Uint8Array): Decoded {
  const encoding = encodingOf(bytes);
  try {
    return { ok: true, text: new TextDecoder(encoding, { fatal: true }).decode(bytes) };
  } catch {
    return {
      ok: false,
      why:
        encoding === 'utf-8'
          ? 'It is no text: it is damaged, or not a file that Zoarium exported. Look for an earlier copy.'
          : 'It is UTF-16 and damaged. Open it in an editor, save it as UTF-8, and choose it again.',
    };
  }
}
