import { entriesOfTank, liveHead, type Log } from '../../records/log';
import type { Revision } from '../../records/schema/revision';

/** As much of a log as what is asked for rests on. It crosses to a worker, which holds the catalogue. */
export interface AsksSource {
  /** The tanks that may be asked for something. */
  tankIds: string[];
  revisions: Revision[];
}

/** Entries that say what a sponge was seeded for, who came in, what was lit and what that had to eat. */
const OF_OTHERS = new Set(['animals', 'feed', 'sponge', 'weighing', 'growthMeasure', 'reading']);

/** Gathers what a log's batches, medicines, corals and lit algae rest on; null where it has none of them. */
export function asksSource(log: Log): AsksSource | null {
  const { batches, medicines, positions, protocols, species, kits } = log;
  const running = batches.filter(({ body }) => body.endedAt === null);
  const entriesIn = (id: string) => entriesOfTank(log, id);
  const whole = new Set(running.map(({ body }) => body.tankId));
  for (const { id } of log.tanks) {
    if (entriesIn(id).some(({ body }) => body.kind === 'medication')) whole.add(id);
  }
  const planted = new Set(positions.map(({ body }) => body.tankId));
  const lit = log.tanks
    .map(({ id }) => id)
    .filter((id) => entriesIn(id).some(({ body }) => body.kind === 'growthMeasure'));
  const seeding = [...whole].flatMap((id) =>
    entriesIn(id).flatMap(({ body }) =>
      body.kind === 'sponge' && body.fromTankId !== undefined ? body.fromTankId : [],
    ),
  );
  const asked = [...new Set([...whole, ...planted, ...lit])].filter((id) =>
    liveHead(log, id, 'tank'),
  );
  if (asked.length === 0) return null;
  const all = [...new Set([...asked, ...seeding])];
  return {
    tankIds: asked,
    revisions: [
      ...log.tanks.filter(({ id }) => all.includes(id)),
      ...kits,
      ...running,
      ...medicines,
      ...positions,
      ...protocols,
      ...species,
      ...all.flatMap((id) =>
        whole.has(id)
          ? entriesIn(id)
          : entriesIn(id).filter(({ body }) => OF_OTHERS.has(body.kind)),
      ),
    ],
  };
}
