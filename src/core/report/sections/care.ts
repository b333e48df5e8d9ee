import { everyEntry, wordsContext } from '../../history/tankHistory';
import { entryLine, entryTitle, isReported } from '../../records/kinds';
import { dateWords } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import type { ReportOf, ReportPart } from '../types';

/** How far back a report looks, days. */
const BACK_DAYS = 60;
/** The newest of them: the whole of it is the journal. */
const MOST = 60;

/** What was done and seen of late: doses, changes, medicines, signs. */
export function carePart({ history, now }: ReportOf): ReportPart {
  const context = wordsContext(history);
  const all = everyEntry(history)
    .filter(({ at, entry }) => isReported(entry) && at > now - BACK_DAYS * DAY_MS && at <= now)
    .reverse();
  if (all.length === 0) return { lines: [`Nothing in the last ${BACK_DAYS} days.`] };
  const shown = all.slice(0, MOST);
  const more = all.length - shown.length;
  return {
    lines: [
      `The last ${BACK_DAYS} days, the newest first${more > 0 ? `; ${more} more before these` : ''}.`,
    ],
    table: {
      columns: ['On', 'What', ''],
      rows: shown.map(({ at, entry }) => [
        dateWords(at, history.tank.zone),
        entryTitle(entry),
        [entryLine(entry, context), entry.note ?? ''].filter((part) => part !== '').join('. '),
      ]),
    },
  };
}
