import { isStale } from '../../cycle/verdict/criteria/zero';
import { bandWords } from '../../cycle/verdict/criteria/conditions';
import { readingWords } from '../../history/reading';
import { countedReadings, latestReading } from '../../history/tankHistory';
import { trendOf } from '../../history/trend';
import { sideOf } from '../../parameters/bands';
import { PARAMETER_IDS, PARAMETERS } from '../../parameters/registry';
import { unitFor } from '../../records/schema/settings';
import { dateWords } from '../../time/words';
import type { ReportOf, ReportPart } from '../types';

/** Readings from which on a course says more than its newest figure. */
const FOR_A_CHART = 3;
/** More charts than these fill paper and answer nothing. */
const MOST_CHARTS = 6;

/** What was last read of every parameter, by which kit, and how it stands to its band. */
export function waterPart({ history, bands, settings, water, now }: ReportOf): ReportPart {
  const measured = PARAMETER_IDS.filter((id) => history.readings[id].length > 0);
  const { title, detail } = water;
  const rows = measured.flatMap((id) => {
    const last = latestReading(history, id);
    if (!last) return [];
    const band = bands[id];
    const side = band ? sideOf(last.best, band) : 'within';
    return [
      [
        PARAMETERS[id].name,
        readingWords(last),
        dateWords(last.at, history.tank.zone),
        band ? bandWords(band, unitFor(settings, id)) : '',
        [
          side === 'within' ? '' : side === 'below' ? 'low' : 'high',
          isStale(last, now)
            ? 'too old to count'
            : (trendOf(countedReadings(history, id))?.direction ?? ''),
        ]
          .filter((part) => part !== '')
          .join(', '),
        history.kits[last.kitId]?.name ?? '',
      ],
    ];
  });
  return {
    lines: [`**${title}** ${detail}`.trim()],
    ...(rows.length === 0
      ? {}
      : {
          table: { columns: ['What', 'Last read', 'On', 'Band', 'Standing', 'Read with'], rows },
          charts: measured
            .filter((id) => countedReadings(history, id).length >= FOR_A_CHART)
            .slice(0, MOST_CHARTS),
        }),
  };
}
