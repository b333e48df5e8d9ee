import papaparse from 'papaparse';
import type { Slip } from '../../src/core/monitor/slipSchema';
import { escaped, page } from './page';

const written = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');

/** A slip as a spreadsheet: what, figure, unit, and when the water was drawn and tested. */
export function slipAsCsv({ lines, drawnAt, testedAt }: Slip): string {
  return papaparse.unparse(
    lines.map(({ what, value, unit }) => ({
      Test: what,
      Result: value,
      Unit: unit,
      'Drawn (UTC)': written(drawnAt),
      'Tested (UTC)': written(testedAt),
    })),
  );
}

/** A slip as a page to print. */
export function slipAsPage({ lines, drawnAt, testedAt, label, advice }: Slip): string {
  const rows = lines.map(
    ({ what, value, unit }) => `<tr><td>${escaped(what)}<td>${escaped(value)} ${escaped(unit)}`,
  );
  return page(
    'Water test',
    `<h1>Water test${label === undefined ? '' : ` for ${escaped(label)}`}</h1>
<p>Drawn ${written(drawnAt)}, tested ${written(testedAt)} UTC.</p><table>${rows.join('')}</table>
${advice === undefined ? '' : `<p>${escaped(advice)}</p>`}`,
  );
}
