import { occurrence } from '../occurrence';
import type { Ask, TaskSource, TaskWorld } from '../types';

/** Days before its day at which something is listed, where nobody asks for more. */
const LISTED_DAYS = 7;

/** A source of what was worked out apart from the rest. */
function asksFrom(asksOf: (world: TaskWorld) => readonly Ask[] | undefined): TaskSource {
  return {
    occurrences: (world, from) => {
      const { history, owned, listDays = LISTED_DAYS } = world;
      return (asksOf(world) ?? [])
        .filter(({ parameters = [] }) => parameters.every((parameter) => owned.has(parameter)))
        .map(({ due, ...task }) => occurrence(task, due, history.tank.zone, from))
        .filter(({ inDays }) => inDays <= listDays);
    },
  };
}

/** What batches, medicines and corals ask for: worked out by `asksOfTank`, since it takes the catalogue. */
export const asked = asksFrom(({ asks }) => asks);

/** Chores, and what instruments and figures ask for: worked out by `maintenanceAsks`. */
export const maintenance = asksFrom(({ daily }) => daily);
