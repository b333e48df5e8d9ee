import { calibrateEvery } from '../../instruments/calibrateEvery';
import { checksOf } from '../../instruments/correction';
import { kitFacts } from '../../instruments/kitFacts';
import { trustWords } from '../../instruments/trustWords';
import { PARAMETER_IDS, PARAMETERS } from '../../parameters/registry';
import { countOf } from '../../units/format';
import type { ReportOf, ReportPart } from '../types';

/** What the figures rest on: each kit and meter, how finely it reads, and whether it was checked. */
export function instrumentsPart({ log, history, now }: ReportOf): ReportPart {
  const { zone } = history.tank;
  const used = new Map<string, number>();
  for (const id of PARAMETER_IDS) {
    for (const { kitId } of history.readings[id]) used.set(kitId, (used.get(kitId) ?? 0) + 1);
  }
  const rows = [...used]
    .sort(([, a], [, b]) => b - a)
    .flatMap(([kitId, count]) => {
      const kit = history.kits[kitId];
      if (!kit) return [];
      const every = calibrateEvery(kit);
      const unit = PARAMETERS[kit.parameter].canonicalUnit;
      return [
        [
          kit.name,
          kitFacts(kit, now, zone).join(', '),
          every === null ? '' : trustWords(unit, checksOf(log.calibrations, kitId), every, now),
          countOf(count, 'reading'),
        ],
      ];
    });
  if (rows.length === 0) return { lines: ['Nothing was tested yet.'] };
  return {
    lines: [],
    table: { columns: ['Instrument', 'What it reads', 'Against its standard', 'Used for'], rows },
  };
}
