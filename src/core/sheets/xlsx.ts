import readSheets from 'read-excel-file/universal';
import type { Workbook } from './workbook';

type Cell = string | number | boolean | Date | null;

/** Digits that a workbook's numbers are good for: 8.1 is kept in it as 8.0999999999999996. */
const DIGITS = 12;

/** A cell as the text a person would have typed. A moment has no zone in a workbook: it is read as the clock's. */
function cellText(cell: Cell | undefined): string {
  if (cell === null || cell === undefined) return '';
  if (typeof cell === 'number') return String(Number(cell.toPrecision(DIGITS)));
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
  if (!(cell instanceof Date)) return cell;
  if (Number.isNaN(cell.getTime())) return '';
  const [day = '', time = ''] = cell.toISOString().split('T');
  // The first day of a workbook's calendar is a time of day and nothing else.
  if (cell.getTime() < Date.UTC(1901, 0, 1)) return time.slice(0, 5);
  return time.startsWith('00:00') ? day : `${day} ${time.slice(0, 5)}`;
}

/** The sheets of an XLSX file, all of them. @throws where it is damaged or no workbook */
export async function xlsxWorkbook(bytes: Uint8Array): Promise<Workbook> {
  const sheets = await readSheets(bytes.slice().buffer);
  return {
    sheets: sheets.map(({ sheet, data }) => ({
      name: sheet,
      rows: data.map((row) => (row as Cell[]).map(cellText)),
    })),
    mark: '.',
  };
}
