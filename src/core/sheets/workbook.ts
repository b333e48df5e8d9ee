import Papa from 'papaparse';

/** One sheet as it came: cells as text, rows as long as they were. */
export interface Sheet {
  /** The name on its tab; empty for a text. */
  name: string;
  rows: readonly (readonly string[])[];
}

/** A spreadsheet: one sheet, or several. */
export interface Workbook {
  sheets: readonly Sheet[];
  /** The mark between whole and fraction where the file itself says it, as a workbook's numbers do. */
  mark: '.' | null;
}

/** What a spreadsheet program may say of its file in the first line: which sign parts the cells. */
const SAYS_ITS_SIGN = /^\uFEFF?sep=(.)\r?\n/i;
const SIGNS = ['\t', ';', ',', '|'] as const;

/**
 * The cells of a text: comma, semicolon, tab or bar between them, quoted or not.
 * @param text decoded, with or without its byte-order mark
 */
export function textWorkbook(text: string): Workbook {
  const said = SAYS_ITS_SIGN.exec(text);
  const body = (said ? text.slice(said[0].length) : text).replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(body, {
    delimiter: said?.[1] ?? signOf(body),
    skipEmptyLines: false,
  });
  // In place: most cells are as they were, and a copy of each row of years is work for nothing.
  for (const row of data) {
    for (let i = 0; i < row.length; i += 1) {
      if (row[i]?.startsWith("'")) row[i] = asItWas(row[i] ?? '');
    }
  }
  return { sheets: [{ name: '', rows: data }], mark: null };
}

/** What a spreadsheet takes for a formula, and the sign that keeps it from doing so. */
const FORMULA = /^[=+\-@\t\r']/;

/** A text made harmless: a spreadsheet that opens it shows it, and works nothing out. */
export function harmless(text: string): string {
  return FORMULA.test(text) ? `'${text}` : text;
}

/** A text that begins with the sign that made it harmless, as it was. */
function asItWas(cell: string): string {
  return FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
}

/** Lines that are looked at for the sign between cells. */
const LOOKED_AT = 40;

/**
 * The sign that parts most lines into the same number of cells, and into more than one. A comma within
 * numbers parts them too, but not alike; of two that do as well the first of the list is taken, since nobody
 * writes tabs or semicolons by chance.
 */
function signOf(text: string): string {
  const head = text.split('\n', LOOKED_AT).join('\n');
  let best = { sign: ',', worth: 0 };
  for (const sign of SIGNS) {
    const { data } = Papa.parse<string[]>(head, { delimiter: sign, skipEmptyLines: true });
    const lengths = new Map<number, number>();
    for (const row of data) lengths.set(row.length, (lengths.get(row.length) ?? 0) + 1);
    const alike = Math.max(
      0,
      ...[...lengths].filter(([cells]) => cells > 1).map(([, rows]) => rows),
    );
    if (alike > best.worth) best = { sign, worth: alike };
  }
  return best.sign;
}
