import { tankHistory } from '../../history/derive';
import { demandOf } from '../../livestock/food/demand';
import type { Finder } from '../../livestock/roster/lodgers';
import { rosterOf } from '../../livestock/roster/roster';
import { liveHead, type Log } from '../../records/log';
import { daysBetween } from '../../time/zone';
import { LEAST_SEEDED_DAYS, spongeCarries } from './sponge';

/** A sponge that works in a quarantine tank, and what it was seeded for. */
export interface WorkingSponge {
  /** Days it ran in the tank it comes from. */
  days: number;
  /** What it may carry, mg N a day; nothing is counted on before its least days. */
  low: number;
  high: number;
}

/**
 * The sponge that works in a tank at a moment, by the days it ran in the flow of the one it comes from
 * and what that tank's animals made then; null where none does, or nobody noted since when it ran there.
 */
export function workingSponge(
  log: Log,
  tankId: string,
  at: number,
  find: Finder,
): WorkingSponge | null {
  const { entries } = tankHistory(log, tankId, at);
  const last = entries.sponge.filter((one) => one.at <= at).at(-1);
  const fromId = last?.entry.fromTankId;
  if (last?.entry.move !== 'working' || fromId === undefined) return null;
  const from = liveHead(log, fromId, 'tank');
  if (!from) return null;
  const source = tankHistory(log, fromId, last.at);
  const seeded = source.entries.sponge.findLast(
    ({ at: when, entry }) => when <= last.at && entry.move === 'seeding',
  );
  if (!seeded) return null;
  const days = daysBetween(seeded.at, last.at, from.body.zone);
  const { nitrogen } = demandOf(source, rosterOf(source), last.at, find);
  const { low, high } = spongeCarries({ days, tankNitrogen: nitrogen.usual });
  return { days, low: days < LEAST_SEEDED_DAYS ? 0 : low, high };
}
