import { METHOD_WORDS } from '@/core/acclimation/method';
import { broughtIn } from '@/core/acclimation/run';
import { finderWith } from '@/core/livestock/roster/lodgers';
import { arrivalEntry } from '@/core/livestock/add/arrival';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { methodOf, replacedIn } from '@/core/runs/procedures/acclimate';
import { ended } from '@/core/runs/procedures/changes';
import { isoInZone } from '@/core/time/zone';
import { bringIn, releaseBatch } from '@/store/moving';
import { recordAct } from '@/store/record';
import type { AppThunk } from '@/store/state';

/** Ends an acclimation; done, it writes who came in, what water went back, and the end of their batch. */
export function endAcclimation(
  run: RevisionOf<'run'>,
  how: 'done' | 'stopped',
): AppThunk<Promise<void>> {
  return async (dispatch) => {
    await dispatch(
      recordAct(
        (act) => {
          const { log, now } = act;
          const { tankId, given } = run.body;
          act.revise(run, ended(run.body, new Date(now).toISOString(), how));
          const tank = liveHead(log, tankId, 'tank');
          if (!tank) return;
          const place = { tankId, zone: tank.body.zone };
          const back = replacedIn(run.body);
          if (back !== undefined) {
            act.create('entry', {
              kind: 'waterChange',
              tankId,
              at: isoInZone(now, place.zone),
              litres: back,
              newWater: { salinity: { value: Number(given.tankSalinity ?? 35), unit: 'ppt' } },
              note: 'Salt water put back for what a drip drew.',
            });
          }
          if (how !== 'done') return;
          const batch = liveHead(log, String(given.batch ?? ''), 'batch');
          if (batch) return releaseBatch(act, batch, place);
          const find = finderWith(log.species.map(({ body }) => body));
          for (const { species, count } of broughtIn(run.body)) {
            const animal = find(species);
            if (!animal || count <= 0) continue;
            const note = `${METHOD_WORDS[methodOf(run.body)]}.`;
            bringIn(act, { ...arrivalEntry(animal, count, place, now), note });
          }
        },
        how === 'done' ? { words: 'They are in' } : {},
      ),
    );
  };
}
