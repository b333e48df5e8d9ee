import { arrivals } from './sources/arrivals';
import { asked, maintenance } from './sources/asked';
import { building } from './sources/building';
import { cadence } from './sources/cadence';
import { cycle } from './sources/cycleTasks';
import { gates } from './sources/gates';
import { guide } from './sources/guide';
import { quarantine } from './sources/quarantine';
import { telling } from './sources/telling';
import { stocking } from './sources/stocking';
import type { TaskSource } from './types';

/** Everything that asks for things to be done; of equally pressing ones the earlier comes first. */
export const TASK_SOURCES = {
  building,
  telling,
  arrivals,
  quarantine,
  asked,
  guide,
  cycle,
  cadence,
  gates,
  stocking,
  maintenance,
} as const satisfies Record<string, TaskSource>;
