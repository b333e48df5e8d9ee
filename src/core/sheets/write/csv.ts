import Papa from 'papaparse';
import { harmless } from '../workbook';

/** A cell of a written sheet: a number stands as it is, a text is made harmless. */
export type Written = string | number | null;

/**
 * Rows as CSV: commas, quoted where need be, lines as spreadsheet programs end them, and a mark by which they
 * know that the letters are UTF-8.
 */
export function csvOf(headings: readonly string[], rows: readonly (readonly Written[])[]): string {
  const cells = rows.map((row) =>
    row.map((cell) => (typeof cell === 'string' ? harmless(cell) : cell)),
  );
  return `\uFEFF${Papa.unparse({ fields: [...headings], data: cells }, { newline: '\r\n' })}\r\n`;
}
