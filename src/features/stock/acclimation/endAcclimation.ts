import { newcomersOf } from '@/core/acclimation/run';
import { tankHistory } from '@/core/history/derive';
import { bodyGrams, usualCm } from '@/core/livestock/body';
import { finderWith, lengthNow } from '@/core/livestock/lodgers';
import { moveEntries } from '@/core/livestock/moving';
import { isHere, rosterOf } from '@/core/livestock/roster';
import type { Entry } from '@/core/records/kinds';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { methodOf, replacedIn } from '@/core/runs/acclimate';
import { ended } from '@/core/runs/changes';
import { METHOD_WORDS } from '@/core/acclimation/method';
import { isoInZone } from '@/core/time/zone';
import { fulfilWishes } from '@/store/fulfil';
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
          const { zone } = tank.body;
          const at = isoInZone(now, zone);
          const write = (entry: Entry) => {
            act.create('entry', entry);
            fulfilWishes(act, entry.tankId, entry);
          };
          const back = replacedIn(run.body);
          if (back !== undefined) {
            write({
              kind: 'waterChange',
              tankId,
              at,
              litres: back,
              newWater: {
                salinity: { value: Number(given.tankSalinity ?? 35), unit: 'ppt' },
              },
              note: 'Salt water put back for what a drip drew.',
            });
          }
          if (how !== 'done') return;
          const find = finderWith(log.species.map(({ body }) => body));
          const batch = liveHead(log, String(given.batch ?? ''), 'batch');
          if (batch) {
            const from = tankHistory(log, batch.body.tankId, now);
            const lots = new Set(batch.body.animals.flatMap(({ lot }) => lot ?? []));
            for (const lot of rosterOf(from).filter(isHere)) {
              if (lots.size > 0 && !lots.has(lot.id)) continue;
              moveEntries({
                lot,
                from: { tankId: batch.body.tankId, zone: from.tank.zone },
                to: { tankId, zone },
                at: now,
                cm: lengthNow(lot, now, find),
              }).forEach(write);
            }
            act.revise(batch, { ...batch.body, endedAt: isoInZone(now, from.tank.zone) });
            return;
          }
          const aside = Number(given.aside ?? 0);
          newcomersOf(run.body).forEach(({ species, what, group, count }, n) => {
            const animal = find(species);
            const cm = animal ? usualCm(animal) : 0;
            const number = n === 0 ? count - aside : count;
            if (number <= 0) return;
            const grams = animal && cm > 0 ? bodyGrams(animal, cm) * number : 0;
            write({
              kind: 'animals',
              tankId,
              at,
              move: 'in',
              group,
              what,
              species,
              count: number,
              ...(cm > 0 ? { sizeCm: cm } : {}),
              ...(grams > 0.05 ? { grams: Math.round(grams * 10) / 10 } : {}),
              note: `${METHOD_WORDS[methodOf(run.body)]}.`,
            });
          });
        },
        how === 'done' ? { words: 'They are in' } : {},
      ),
    );
  };
}
