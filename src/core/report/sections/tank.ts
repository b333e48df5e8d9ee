import { dateWords } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import type { ReportOf, ReportPart } from '../types';

/** What the tank is: its water, its build, how long it has stood. */
export function tankPart({ history, described, now }: ReportOf): ReportPart {
  const { tank, start } = history;
  const age =
    start === null
      ? 'It is not filled yet.'
      : `Day ${Math.floor((now - start) / DAY_MS)} since ${dateWords(start, tank.zone)}.`;
  return {
    lines: [described.water.replace(/ Every dose.*$/, ''), age],
    table: {
      columns: ['', ''],
      rows: described.parts
        .filter(({ part }) => part !== 'name')
        .map(({ title, text }) => [title, text]),
    },
  };
}
