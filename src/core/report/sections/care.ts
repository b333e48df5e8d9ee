import { everyEntry, wordsContext } from '../../history/tankHistory';
import { entryLine, entryTitle, type EntryKind } from '../../records/kinds';
import { dateWords } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import type { ReportOf, ReportPart } from '../types';

/** How far back a report looks, days. */
const BACK_DAYS = 60;
/** The newest of them: the whole of it is the journal. */
const MOST = 60;

/** Whether what was done stands in a report: it does where it may have to do with how the animals are. */
const TOLD: Record<EntryKind, boolean> = {
  reading: false,
  dose: true,
  waterChange: true,
  topOff: false,
  feed: false,
  animals: true,
  observation: true,
  filled: true,
  running: true,
  closed: true,
  lid: true,
  heaterCheck: true,
  light: true,
  media: true,
  medication: true,
  note: false,
  organics: true,
  purified: false,
  growthMeasure: true,
  saltMix: false,
  sighting: true,
  standstill: true,
  taskMark: false,
  treatment: true,
  weighing: false,
  calibration: false,
  cost: false,
  dailyCheck: true,
  cleaning: true,
  sponge: true,
};

/** What was done and seen of late: doses, changes, medicines, signs. */
export function carePart({ history, now }: ReportOf): ReportPart {
  const context = wordsContext(history);
  const all = everyEntry(history)
    .filter(({ at, entry }) => TOLD[entry.kind] && at > now - BACK_DAYS * DAY_MS && at <= now)
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
