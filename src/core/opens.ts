import type { EntryKind } from './records/kinds';
import type { TankPart } from './records/schema/tank';

/** Forms that are not the plain one of a kind: bottled bacteria, tests kept on paper. */
export type OtherForm = 'bacteria' | 'paper';

/** Where something is done: what a task or a step of a procedure leads to. */
export type Place =
  /** The form of a kind of entry, or one of its other starts, begun with what is known. */
  | { form: EntryKind | OtherForm; given?: Readonly<Record<string, string>> }
  | { screen: 'challenge' | 'dose' }
  /** A page of Stock, begun with what is known. */
  | { stock: StockPage; given?: Readonly<Record<string, string>> }
  /** A page of Quarantine. */
  | { quarantine: QuarantinePage; given?: Readonly<Record<string, string>> }
  /** A batch in quarantine, by its id. */
  | { batch: string }
  /** Acclimation, begun with what is known. */
  | { acclimate: Readonly<Record<string, string>> }
  /** A part of the description of the tank in view. */
  | { tank: TankPart }
  /** A chore of the tank in view, by its id. */
  | { chore: string }
  /** Moving to another tank, adding one, closing one. */
  | { moving: 'move' | 'add' | 'close' }
  /** A sum, by its id. */
  | { sum: SumPlace }
  /** A procedure, to be gone on with or begun. */
  | { run: RunPlace };

/** Pages of Stock. */
export type StockPage = 'add' | 'wishes' | 'losses' | 'growth' | 'corals' | 'own';

/** Pages of Quarantine. */
export type QuarantinePage = 'begin' | 'medicines' | 'protocols' | 'readiness' | 'outbreak';

/** Sums that something leads to. */
export type SumPlace =
  | 'alkalinity'
  | 'drain-down'
  | 'floor-load'
  | 'heater'
  | 'media'
  | 'reservoir-in'
  | 'sand'
  | 'turnover';

/** Procedures that something leads to. */
export type RunPlace = 'build' | 'fill' | 'mix' | 'calibrate' | 'waterChange';
