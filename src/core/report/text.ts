import { REPORT_CAUTION } from './report';
import type { Report, ReportTable } from './types';

/** What matters is marked on a screen; in a plain text nothing is. */
const plain = (text: string): string => text.replace(/\*\*/g, '').replace(/\s+/g, ' ').trim();

/** A cell of a table written with bars: none of its own may end it. */
const cell = (text: string): string => plain(text).replace(/\|/g, '\\|');

function tableLines({ columns, rows }: ReportTable): string[] {
  const row = (cells: readonly string[]) => `| ${cells.map(cell).join(' | ')} |`;
  return [row(columns), `| ${columns.map(() => '---').join(' | ')} |`, ...rows.map(row)];
}

/** A report as a text that reads well as it is, and better where tables in Markdown are drawn (GFM 0.29). */
export function reportText({ title, dated, sections }: Report): string {
  return `${[
    `# ${plain(title)}`,
    '',
    dated,
    ...sections.flatMap(({ heading, lines, table }) => [
      '',
      `## ${heading}`,
      ...lines.flatMap((line) => ['', plain(line)]),
      ...(table && table.rows.length > 0 ? ['', ...tableLines(table)] : []),
    ]),
    '',
    REPORT_CAUTION,
  ].join('\n')}\n`;
}
