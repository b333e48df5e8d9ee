/** The value of a JSON text, with or without a byte-order mark; undefined, which no JSON can say, where it is none. */
export function jsonOf(text: string): unknown {
  try {
    // Some editors put the mark before a text they save.
    return JSON.parse(text.replace(/^\uFEFF/, '')) as unknown;
  } catch {
    return undefined;
  }
}
