import { instant, tankHistory, type Log } from '../src/core';
import { finderWith } from '../src/core/livestock/roster/lodgers';
import { clockOf } from '../src/core/quarantine/batch';
import { protocolOf } from '../src/core/quarantine/protocols';
import { workingSponge } from '../src/core/quarantine/tank/seeded';
import { ammoniaPlan } from '../src/core/quarantine/tank/water';
import { iso } from './iso';

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** Every batch that goes on: its clock, when it may be released, and how its ammonia is held. */
export function quarantineJson(log: Log, at: number): unknown {
  const find = finderWith(log.species.map(({ body }) => body));
  const own = log.protocols.map(({ body }) => body);
  const kits = log.kits.map(({ body }) => body).filter(({ inUse }) => inUse);
  return log.batches
    .filter(({ body }) => {
      const ended = body.endedAt === null ? Infinity : instant(body.endedAt);
      return instant(body.begunAt) <= at && ended > at;
    })
    .flatMap(({ body: batch }) => {
      const tank = log.tanks.find(({ id }) => id === batch.tankId);
      if (!tank) return [];
      const history = tankHistory(log, batch.tankId, at);
      const protocol = protocolOf(batch.protocol, own);
      const clock = clockOf(batch, history, protocol, at);
      const carries = workingSponge(log, batch.tankId, at, find)?.low;
      const plan = ammoniaPlan(history, batch, find, at, kits, carries);
      return [
        {
          tank: tank.body.name,
          for: log.tanks.find(({ id }) => id === batch.forTankId)?.body.name ?? null,
          protocol: protocol.name,
          animals: batch.animals.map(({ what, count }) => ({ what, count })),
          days: protocol.days,
          daysClear: clock.daysClear,
          clear: clock.isClear,
          releaseOn: {
            p10: iso(clock.release.p10),
            p50: iso(clock.release.p50),
            p90: iso(clock.release.p90),
          },
          restarts: clock.restarts.map((restart) => ({
            at: iso(restart.at),
            because: restart.because,
          })),
          standing: clock.standing.map(({ what, signs }) => ({ what, signs })),
          missedDays: clock.missed,
          ammoniaPlan: {
            litres: plan.litres,
            everyDays: plan.everyDays,
            peakFreeAmmoniaN: round(plan.peakFreeAmmoniaN, 4),
            holds: plan.holds,
            by: plan.by,
            litresAWeek: round(plan.litresAWeek, 1),
            saltGramsAWeek: Math.round(plan.saltAWeek),
          },
        },
      ];
    });
}
