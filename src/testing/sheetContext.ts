import type { DayOrder } from '../core/time/typedDay';
import type { SheetContext } from '../core/sheets/read/found';

const REEF = '00000000-0000-7000-8000-000000000001';
export const NANO = '00000000-0000-7000-8000-000000000002';
const tank = (id: string, name: string) => ({
  id,
  name,
  zone: 'Europe/Berlin',
  filledOn: '2026-03-02',
});
/** What the sheets of the tests are read against. */
export const CONTEXT: SheetContext & { usualOrder: DayOrder } = {
  now: Date.parse('2026-11-24T12:00:00Z'),
  today: '2026-11-24',
  tanks: [tank(REEF, 'Reef'), tank(NANO, 'Nano')],
  tankId: REEF,
  kits: [],
  usualOrder: 'dmy',
};
