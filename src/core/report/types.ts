import type { Sentence, SentenceForecast } from '../cycle/words/sentence';
import type { Verdict } from '../cycle/verdict/types';
import type { TankHistory } from '../history/tankHistory';
import type { Plan } from '../livestock/planner/types';
import type { Finder } from '../livestock/roster/lodgers';
import type { Bands } from '../parameters/bands';
import type { ParameterId } from '../parameters/registry';
import type { Log } from '../records/log';
import type { Told } from '../tank/description';
import type { Settings } from '../records/schema/settings';

/** What a report of a tank is made from. */
export interface ReportGiven {
  log: Log;
  history: TankHistory;
  /** The moment it is of, ms. */
  now: number;
  bands: Bands;
  settings: Settings;
  verdict: Verdict;
  /** What lies ahead; null where nothing is foretold, or not yet. */
  forecast: SentenceForecast | null;
  /** The dated plan; null where nobody is wished for, or it is not worked out yet. */
  plan: Plan | null;
}

/** The same with what is said of it elsewhere. */
export interface ReportOf extends ReportGiven {
  /** Where the cycle stands, in sentences; null for a tank that is not in one. */
  cycle: Sentence | null;
  /** What the water of the tank says at a glance. */
  water: Sentence;
  /** The tank as its own page describes it: how much water, and each part of its build. */
  described: { water: string; parts: readonly Told[] };
  find: Finder;
}

export interface ReportTable {
  columns: readonly string[];
  rows: readonly (readonly string[])[];
}

/** What a part of the report says: sentences, perhaps a table, perhaps charts. */
export interface ReportPart {
  /** Sentences; `**` on both sides marks what matters. */
  lines: readonly string[];
  table?: ReportTable;
  /** Parameters whose course is drawn under it. */
  charts?: readonly ParameterId[];
  /** The course of the cycle is drawn under it. */
  cycle?: true;
}

export interface ReportSection extends ReportPart {
  id: string;
  heading: string;
}

export interface Report {
  title: string;
  /** Of which moment it is, in words. */
  dated: string;
  sections: readonly ReportSection[];
}
