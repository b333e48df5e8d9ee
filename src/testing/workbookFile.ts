import { strToU8, zipSync } from 'fflate';
import { columnName } from '../core/sheets/guess/table';

const XML = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const DOC = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';

/** A cell of a made-up workbook: a text, a number, or a day as workbooks count them. */
export type MadeCell = string | number | { serial: number } | null;

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

function cellXml(cell: MadeCell, at: string): string {
  if (cell === null || cell === '') return '';
  if (typeof cell === 'string')
    return `<c r="${at}" t="inlineStr"><is><t>${escaped(cell)}</t></is></c>`;
  // The first style of the file is that of numbers, the second that of days.
  if (typeof cell === 'number') return `<c r="${at}"><v>${cell}</v></c>`;
  return `<c r="${at}" s="1"><v>${cell.serial}</v></c>`;
}

/** The bytes of an XLSX file of the given sheets, as spreadsheet programs write them. */
export function workbookFile(sheets: Readonly<Record<string, readonly (readonly MadeCell[])[]>>) {
  const names = Object.keys(sheets);
  const files: Record<string, Uint8Array> = {
    '[Content_Types].xml': strToU8(
      `${XML}<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `${XML}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${DOC}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': strToU8(
      `${XML}<workbook xmlns="${MAIN}" xmlns:r="${DOC}"><sheets>${names
        .map((name, i) => `<sheet name="${escaped(name)}" sheetId="${i + 1}" r:id="rId${i + 1}"/>`)
        .join('')}</sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `${XML}<Relationships xmlns="${PACKAGE}/relationships">${names
        .map(
          (_, i) =>
            `<Relationship Id="rId${i + 1}" Type="${DOC}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`,
        )
        .join(
          '',
        )}<Relationship Id="rId99" Type="${DOC}/styles" Target="styles.xml"/></Relationships>`,
    ),
    'xl/styles.xml': strToU8(
      `${XML}<styleSheet xmlns="${MAIN}"><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs></styleSheet>`,
    ),
  };
  names.forEach((name, i) => {
    const rows = (sheets[name] ?? [])
      .map(
        (row, y) =>
          `<row r="${y + 1}">${row.map((cell, x) => cellXml(cell, `${columnName(x)}${y + 1}`)).join('')}</row>`,
      )
      .join('');
    files[`xl/worksheets/sheet${i + 1}.xml`] = strToU8(
      `${XML}<worksheet xmlns="${MAIN}"><sheetData>${rows}</sheetData></worksheet>`,
    );
  });
  return zipSync(files);
}
