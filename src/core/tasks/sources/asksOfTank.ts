import { coralAsks } from '../../corals/asks';
import { lightAsks } from '../../growth/asks';
import { tankHistory } from '../../history/derive';
import type { TankHistory } from '../../history/tankHistory';
import { finderWith } from '../../livestock/roster/lodgers';
import { quarantineAsks } from '../../quarantine/asks';
import { clockOf } from '../../quarantine/batch';
import { protocolOf } from '../../quarantine/protocols';
import { workingSponge } from '../../quarantine/tank/seeded';
import { ammoniaPlan } from '../../quarantine/tank/water';
import type { Log } from '../../records/log';
import type { Ask } from '../types';

/** The same for several tanks, by their ids. */
export function asksOfTanks(
  log: Log,
  tankIds: readonly string[],
  at: number,
): Record<string, Ask[]> {
  return Object.fromEntries(
    tankIds.map((id) => [id, asksOfTank(log, tankHistory(log, id, at), at)]),
  );
}

/** What the batches, medicines, corals and lit algae of a tank ask for next. Takes the catalogue. */
export function asksOfTank(log: Log, history: TankHistory, at: number): Ask[] {
  const find = finderWith(log.species.map(({ body }) => body));
  const own = log.protocols.map(({ body }) => body);
  const { tankId } = history;
  const running = log.batches.filter(({ body }) => body.tankId === tankId && body.endedAt === null);
  return [
    ...quarantineAsks(
      history,
      running.map(({ id, body }) => {
        const protocol = protocolOf(body.protocol, own);
        const clock = clockOf(body, history, protocol, at);
        const carries = workingSponge(log, tankId, at, find)?.low;
        const plan = ammoniaPlan(history, body, find, at, [], carries);
        return { id, batch: body, protocol, clock, plan };
      }),
      log.medicines,
      at,
    ),
    ...lightAsks(history, at),
    ...coralAsks(
      history,
      log.positions.filter(({ body }) => body.tankId === tankId),
      at,
    ),
  ];
}
