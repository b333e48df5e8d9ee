/** First bytes by which files of other kinds are told, whatever they are called. */
const OTHER_FILES: readonly [first: readonly number[], what: string][] = [
  [[0x25, 0x50, 0x44, 0x46], 'a PDF'],
  [[0x89, 0x50, 0x4e, 0x47], 'a picture'],
  [[0xff, 0xd8, 0xff], 'a picture'],
  [[0x47, 0x49, 0x46, 0x38], 'a picture'],
  [[0x52, 0x49, 0x46, 0x46], 'a picture or a sound'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'a workbook of the old kind (XLS)'],
];
const ZIP = [0x50, 0x4b, 0x03, 0x04];

const begins = (bytes: Uint8Array, first: readonly number[]): boolean =>
  first.every((byte, i) => bytes[i] === byte);

/** Whether a file is packed as a ZIP is: an archive, or a workbook (XLSX). */
export function isPacked(bytes: Uint8Array): boolean {
  return begins(bytes, ZIP);
}

/** What a file is that holds no text, by its first bytes: "a picture"; null where they say nothing. */
export function otherFileOf(bytes: Uint8Array): string | null {
  return OTHER_FILES.find(([first]) => begins(bytes, first))?.[1] ?? null;
}
