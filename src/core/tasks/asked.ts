import { occurrence } from './occurrence';
import type { TaskSource } from './types';

/** Days before its day at which something is listed. */
const LISTED_DAYS = 7;

/** What batches, medicines and corals ask for: worked out by `asksOfTank`, since it takes the catalogue. */
export const asked: TaskSource = {
  occurrences: ({ history, owned, asks = [] }, from) =>
    asks
      .filter(({ parameters = [] }) => parameters.every((parameter) => owned.has(parameter)))
      .map(({ due, ...task }) => occurrence(task, due, history.tank.zone, from))
      .filter(({ inDays }) => inDays <= LISTED_DAYS),
};
