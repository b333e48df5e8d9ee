import { headingOf } from '../mapping';
import { ORDERS, whenIn } from '../read/day';
import { parameterIn } from '../read/names';
import type { Sheet } from '../workbook';

/** A row of the table as it will be read. */
export interface TableRow {
  /** Where it stands in the sheet, as its keeper counts: "row 12", or "column D" where days run across. */
  where: string;
  /** One for each column of the table. */
  cells: readonly string[];
  /** What keeps it from being read as tests; null for most. */
  not: 'total' | 'heading' | null;
}

/** The part of a sheet that holds tests, with days going down whichever way they went. */
export interface Table {
  sheet: string;
  columns: readonly { heading: string; nth: number; where: string }[];
  rows: readonly TableRow[];
  /** Days ran across it. */
  across: boolean;
  /** The column of days. */
  whenColumn: number;
  /** What stands above its headings: titles, the name of a tank. */
  titles: readonly string[];
  /** Year and month that its name or its titles say. */
  year: number | null;
  month: number | null;
}

/** Rows in which headings are looked for. */
const HEAD_ROWS = 4;
/** Columns of days and rows of days have at least so much of what the best has. */
const NEARLY_ALL = 0.6;
const TOTAL =
  /^(grand )?(total|sum|average|avg|mean|median|min|max|minimum|maximum|count|std|ø)\b/i;
const COMMENT = /^\s*(#|\/\/)/;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const isBlank = (row: readonly string[]): boolean => row.every((cell) => cell.trim() === '');
const filled = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== '').length;

/** A figure of a test: most cells are one, and none of them a day; five digits may be a workbook's. */
const FIGURE = /^\s*[<>~]?(\d{0,4}|\d{6,})([.,]\d*)?\s*$/;

/** Whether a cell is a day in any order. */
export function isDayLike(text: string): boolean {
  if (FIGURE.test(text) || !/\d/.test(text)) return false;
  // Any day will do for today where nothing but the shape is asked.
  return ORDERS.some((order) => whenIn(text, order, '2026-06-30') !== null);
}

/** "A", "B", … "AA": a column as spreadsheet programs name it. */
export function columnName(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : columnName(Math.floor(index / 26) - 1) + letter;
}

/** Year and month that a name or a title says: "March 2026", "2026", "2026-03". */
function monthIn(text: string): { year: number | null; month: number | null } {
  const year = /\b(20\d\d)\b/.exec(text);
  const named = MONTHS.findIndex((month) => new RegExp(`\\b${month}[a-z]*\\b`, 'i').test(text));
  const counted = /\b20\d\d[-/.](\d{1,2})\b/.exec(text);
  const month = named >= 0 ? named + 1 : counted ? Number(counted[1]) : null;
  return { year: year ? Number(year[1]) : null, month };
}

/** How many days each column and each row holds. */
function countDays(rows: readonly (readonly string[])[]): { down: number[]; across: number[] } {
  const down: number[] = [];
  const across = rows.map((row) => {
    let count = 0;
    row.forEach((cell, i) => {
      if (!isDayLike(cell)) return;
      count += 1;
      down[i] = (down[i] ?? 0) + 1;
    });
    return count;
  });
  return { down: Array.from(down, (count) => count ?? 0), across };
}

/** Rows from which the shape of a sheet is told: a table of a hundred thousand rows is as its beginning. */
const LOOKED_AT = 200;

/** Finds the table in a sheet; null where none is found. */
export function findTable(sheet: Sheet): Table | null {
  const head = sheet.rows.slice(0, LOOKED_AT);
  const { down, across } = countDays(head);
  const [most, mostAcross] = [Math.max(0, ...down), Math.max(0, ...across)];
  const turned = mostAcross >= 2 && mostAcross > most;
  const width = sheet.rows.reduce((most, row) => Math.max(most, row.length), 0);
  const rows = turned
    ? Array.from({ length: width }, (_, i) => sheet.rows.map((row) => row[i] ?? ''))
    : sheet.rows.map((row) =>
        row.length === width ? row : Array.from({ length: width }, (_, i) => row[i] ?? ''),
      );
  const counts = turned ? across : down;
  const best = Math.max(0, ...counts);
  const named = monthIn(sheet.name);
  const whenColumn =
    best > 0
      ? counts.findIndex((count) => count >= best * NEARLY_ALL)
      : daysOfMonth(rows, named.month);
  if (whenColumn < 0) return null;
  const first = rows.findIndex((row) =>
    best > 0 ? isDayLike(row[whenColumn] ?? '') : /^\d{1,2}$/.test((row[whenColumn] ?? '').trim()),
  );
  const above = rows.slice(0, first).filter((row) => !isBlank(row) && !COMMENT.test(row.join('')));
  const wide = above.some((row) => filled(row) > 1);
  const heads = above.filter((row) => filled(row) > 1 || !wide).slice(-HEAD_ROWS);
  const titles = above.filter((row) => !heads.includes(row)).map((row) => row.join(' ').trim());
  const said = titles.map(monthIn);
  const headings = headingsOf(heads, rows[first]?.length ?? 0);
  const place = (i: number) => (turned ? `column ${columnName(i)}` : `row ${i + 1}`);
  return {
    sheet: sheet.name,
    columns: headings.map((heading, i) => ({
      heading,
      nth: headings.slice(0, i).filter((other) => other === heading).length,
      where: turned ? `row ${i + 1}` : columnName(i),
    })),
    rows: bodyOf(rows, first, headings, whenColumn, place),
    across: turned,
    whenColumn,
    titles,
    year: named.year ?? said.find(({ year }) => year !== null)?.year ?? null,
    month: named.month ?? said.find(({ month }) => month !== null)?.month ?? null,
  };
}

/** The column of days of a month, in a sheet whose name says which: 1, 2, 3 under a heading that says so. */
function daysOfMonth(rows: readonly (readonly string[])[], month: number | null): number {
  if (month === null) return -1;
  const head = rows.find((row) => row.some((cell) => parameterIn(cell) !== null));
  return head?.findIndex((cell) => /^\s*(day|date|tag|datum)\b/i.test(cell)) ?? -1;
}

/**
 * Headings over several rows become one each: a group that was merged over its columns stands in the first
 * of them alone, and is carried to the rest.
 */
function headingsOf(heads: readonly (readonly string[])[], width: number): string[] {
  const carried = heads.map((row, i) => {
    const below = heads[i + 1];
    if (!below || filled(row) < 2 || filled(row) >= filled(below)) return row;
    let group = '';
    return row.map((cell, at) => {
      if (cell.trim() !== '') group = cell;
      return (below[at] ?? '').trim() === '' ? cell : group;
    });
  });
  return Array.from({ length: width }, (_, column) => {
    const parts = carried.map((row) => (row[column] ?? '').trim()).filter((part) => part !== '');
    return headingOf([...new Set(parts)].join(' '));
  });
}

/** The rows of the table: those without a day of their own belong to the day above, as merged cells come out. */
function bodyOf(
  rows: readonly (readonly string[])[],
  first: number,
  headings: readonly string[],
  whenColumn: number,
  place: (index: number) => string,
): TableRow[] {
  let day = '';
  const known = new Set(headings.filter((heading) => heading !== ''));
  const found: TableRow[] = [];
  for (let index = first; index < rows.length; index += 1) {
    const row = rows[index] ?? [];
    const firstCell = row.find((cell) => cell.trim() !== '');
    if (firstCell === undefined || COMMENT.test(firstCell)) continue;
    const own = (row[whenColumn] ?? '').trim();
    const again = own !== '' && known.has(own);
    const not = TOTAL.test(firstCell.trim()) ? 'total' : again ? 'heading' : null;
    if (own !== '' && not === null) day = own;
    const cells =
      own === '' && not === null ? row.map((cell, at) => (at === whenColumn ? day : cell)) : row;
    found.push({ where: place(index), cells, not });
  }
  return found;
}
