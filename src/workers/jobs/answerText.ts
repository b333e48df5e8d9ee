import * as z from 'zod';

/** Rows of numbers that answers are made of, and how each stands in a text. */
const ROWS = { Float32Array, Float64Array };
const rowSchema = z.strictObject({
  rowOf: z.enum(['Float32Array', 'Float64Array']),
  bytes: z.string(),
});
/** Numbers that a text of this kind has no digits for. */
const endlessSchema = z
  .strictObject({ endless: z.enum(['Infinity', '-Infinity', 'NaN']) })
  .transform(({ endless }) => Number(endless));
/** Arguments that a call takes at most in every browser, with room to spare. */
const SLICE = 8192;

function bytesToText(bytes: Uint8Array): string {
  let binary = '';
  for (let at = 0; at < bytes.length; at += SLICE) {
    binary += String.fromCharCode(...bytes.subarray(at, at + SLICE));
  }
  return btoa(binary);
}

function textToBytes(text: string): Uint8Array {
  return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
}

/**
 * An answer as a text, from which it is read back to the digit.
 * @throws where it holds rows of another kind
 */
export function answerToText(answer: unknown): string {
  return JSON.stringify(answer, (_key, value: unknown) => {
    if (typeof value === 'number' && !Number.isFinite(value)) return { endless: String(value) };
    if (!ArrayBuffer.isView(value)) return value;
    const rowOf = value.constructor.name;
    if (!Object.hasOwn(ROWS, rowOf)) throw new Error(`A text holds no ${rowOf}.`);
    return {
      rowOf,
      bytes: bytesToText(new Uint8Array(value.buffer, value.byteOffset, value.byteLength)),
    };
  });
}

/** Reads what {@link answerToText} wrote. @throws where the text is damaged */
export function answerFromText(text: string): unknown {
  return JSON.parse(text, (_key, value: unknown) => {
    if (typeof value !== 'object' || value === null) return value;
    if ('endless' in value) return endlessSchema.parse(value);
    if (!('rowOf' in value)) return value;
    const row = rowSchema.parse(value);
    return new ROWS[row.rowOf](textToBytes(row.bytes).buffer as ArrayBuffer);
  });
}
