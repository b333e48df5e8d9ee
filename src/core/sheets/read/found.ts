import type { ParameterId } from '../../parameters/registry';
import type { ReadingValue } from '../../records/kinds/reading';
import type { Unit } from '../../units/units';
import type { SheetKit } from '../kits';
import type { SheetOffer } from './offer';

/** A tank that tests may belong to. */
export interface SheetTank {
  id: string;
  name: string;
  zone: string;
  /** The first day of its life, where one is known. */
  filledOn: string | null;
}

/** What a sheet is read against. */
export interface SheetContext {
  /** ms: what lies after it was not tested yet. */
  now: number;
  /** The keeper's own day. */
  today: string;
  tanks: readonly SheetTank[];
  /** The tank of rows that name none. */
  tankId: string;
  kits: readonly SheetKit[];
}

/** One test as it will be brought in. */
export interface SheetReading {
  /** Made of tank, parameter, moment, text and its place among equals: the same on any device. */
  id: string;
  /** Its row, and the heading of its column; empty where the row is one test. */
  row: string;
  column: string;
  tankId: string;
  parameter: ParameterId;
  at: string;
  /** The cell, to the letter. */
  text: string;
  kitId: string;
  unit: Unit;
  value: ReadingValue;
  dilution: number;
  /** What stands beside it, where each row is one test. */
  note: string;
  /** It is one that tanks seldom show. */
  unlikely: boolean;
}

export interface SheetNote {
  id: string;
  where: string;
  tankId: string;
  at: string;
  text: string;
}

/** A cell or a row that is not taken, and why. */
export interface Refused {
  where: string;
  text: string;
  why: string;
}

export interface SheetFound {
  readings: readonly SheetReading[];
  notes: readonly SheetNote[];
  offers: readonly SheetOffer[];
  refused: readonly Refused[];
  /** Kits that are not in the log yet. */
  freshKits: readonly SheetKit[];
}
