import type { ParameterId } from '../parameters/registry';

/** Where a task is done; a screen turns it into an address. */
export type TaskKind =
  | 'test'
  | 'challengeTest'
  | 'bacteria'
  | 'ammoniaDose'
  | 'raiseAlkalinity'
  | 'fitLid'
  | 'verifyHeater';

/** What is due on a tank, and why. */
export interface DueTask {
  id: string;
  kind: TaskKind;
  title: string;
  because: string;
  /** The calendar day it falls due, as midnight in the tank's zone; may lie in the past. */
  dueOn: number;
  /** Days from today; negative when overdue. */
  inDays: number;
  /** The moment of that day, ms, where the hour matters. */
  at?: number;
  /** Minutes it takes, roughly. */
  minutes: number;
  parameters: ParameterId[];
}
