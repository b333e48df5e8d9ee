import { arrivals } from './arrivals';
import { asked, rhythm } from './asked';
import { building } from './building';
import { cadence } from './cadence';
import { cycle } from './cycleTasks';
import { gates } from './gates';
import { guide } from './guide';
import { quarantine } from './quarantine';
import { telling } from './telling';
import { stocking } from './stocking';
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
  rhythm,
} as const satisfies Record<string, TaskSource>;
