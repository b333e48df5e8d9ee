import type { Plan } from '../../livestock/planner/types';
import type { Log } from '../../records/log';
import { dayOf } from '../../time/zone';
import { namesOfTanks } from '../context';
import { csvOf } from './csv';
import type { WrittenSheet } from './others';

const COLUMNS = ['tank', 'animal', 'count', 'day', 'from', 'until', 'quarantine from', 'why'];

/** The dated plans of some tanks: who is to come, on which day, give or take; none where there is no plan. */
export function planSheet(log: Log, plans: readonly Plan[]): WrittenSheet[] {
  const names = namesOfTanks(log);
  const rows = plans.flatMap(({ tankId, items, refused }) => {
    const zone = log.tanks.find(({ id }) => id === tankId)?.body.zone ?? 'UTC';
    const tank = names.get(tankId) ?? '';
    const day = (at: number | null) => (at === null ? '' : dayOf(at, zone));
    return [
      ...items.map(({ name, count, addOn, quarantineFrom, because }) => [
        tank,
        name,
        count,
        day(addOn.p50),
        day(addOn.p10),
        day(addOn.p90),
        day(quarantineFrom),
        because,
      ]),
      ...refused.map(({ name, because }) => [
        tank,
        name,
        '',
        '',
        '',
        '',
        '',
        `not planned: ${because}`,
      ]),
    ];
  });
  return rows.length === 0 ? [] : [{ name: 'plan', csv: csvOf(COLUMNS, rows) }];
}
