import { decodeText } from '../records/file/encoding';
import { isPacked, otherFileOf } from '../records/file/signature';
import { textWorkbook, type Workbook } from './workbook';

export type Opened = { ok: true; workbook: Workbook } | { ok: false; why: string };

/** What a file may be at most: a sheet of a hundred thousand tests has some five million. */
export const MOST_BYTES = 40_000_000;

/**
 * Opens a spreadsheet whatever its name says: a workbook (XLSX) by its first bytes, else a text.
 * @param readXlsx reads the sheets of a workbook; handed in, since it is fetched for workbooks alone
 */
export async function openBytes(
  bytes: Uint8Array,
  readXlsx: (bytes: Uint8Array) => Promise<Workbook>,
): Promise<Opened> {
  if (!isPacked(bytes) || bytes.length > MOST_BYTES) return openPlain(bytes);
  try {
    return { ok: true, workbook: await readXlsx(bytes) };
  } catch {
    return no(`It is packed, but no workbook that can be read, or damaged. ${SAVE_AS}`);
  }
}

/** Opens the bytes of a text: UTF-8, UTF-16 or, where they are neither, Windows-1252. */
export function openPlain(bytes: Uint8Array): Opened {
  if (bytes.length === 0) return no('It is empty.');
  if (bytes.length > MOST_BYTES) {
    return no('It is larger than 40 MB. Save the sheet with the tests on its own.');
  }
  const other = otherFileOf(bytes);
  if (other) return no(`It is ${other}. ${SAVE_AS}`);
  return openText(textOf(bytes));
}

/** Opens cells that were pasted, or the text of a file. */
export function openText(text: string): Opened {
  if (text.trim() === '') return no('There is nothing in it.');
  if (/^\uFEFF?\s*\{\s*"format"\s*:/.test(text)) {
    return no('It is an exported log, not a spreadsheet. Import it under Data.');
  }
  if (/^\uFEFF?\s*<[!?a-z]/i.test(text)) return no(`It is a web page or a drawing. ${SAVE_AS}`);
  // A text has no NUL in it; what has is a program, or a file of another kind.
  if (text.includes('\0')) return no(`It is no text. ${SAVE_AS}`);
  return { ok: true, workbook: textWorkbook(text) };
}

const SAVE_AS = 'Open it where it was made, save it as CSV or XLSX, and choose that.';
const no = (why: string): Opened => ({ ok: false, why });

/** Windows-1252 takes any byte, so it is what a text is read as that is nothing else. */
function textOf(bytes: Uint8Array): string {
  const decoded = decodeText(bytes);
  return decoded.ok ? decoded.text : new TextDecoder('windows-1252').decode(bytes);
}
