import type { TankHistory } from '../../history/tankHistory';
import type { ParameterId } from '../../parameters/registry';
import { DAY_MS, instant } from '../../time/zone';
import type { Said } from '../run/header';

/** How far from its moment a test may lie that was made as it was asked for. */
const AROUND = DAY_MS;

/** Whether the next test that was named at a moment was made: all of it, part of it, nothing; or named none, or lies ahead. */
export type Followed = 'made' | 'partly' | 'not made' | 'ahead' | 'none';

/**
 * Whether one followed the next test that was named: its tests, made within a day of when it was asked for.
 * @param now the practice clock, ms
 */
export function followedOf(
  { at, nextTest }: Said,
  { readings }: TankHistory,
  now: number,
): Followed {
  if (!nextTest || nextTest.tests.length === 0) return 'none';
  const due = instant(nextTest.at);
  const from = Math.max(instant(at), due - AROUND);
  const made = nextTest.tests.filter((name) =>
    (readings[name as ParameterId] ?? []).some(
      (reading) => reading.at >= from && reading.at <= due + AROUND,
    ),
  );
  if (made.length === nextTest.tests.length) return 'made';
  if (now < due + AROUND) return 'ahead';
  return made.length > 0 ? 'partly' : 'not made';
}
