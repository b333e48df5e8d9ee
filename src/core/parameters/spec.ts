import type { Interval } from '../math/interval';
import type { Dimension, Unit } from '../units/units';

/**
 * A kit to start from. They are common shapes, not any maker's: the keeper sets the steps that are
 * printed on the card at hand.
 */
export interface KitTemplate {
  id: string;
  name: string;
  unit: Unit;
  scale:
    | { form: 'card'; steps: readonly number[] }
    | { form: 'digital'; resolution: number; accuracy: number; compensated: boolean };
  waitMinutes: number;
  reduction: boolean;
}

/**
 * Canonical values at and beyond which filter bacteria work more slowly, and may die. Marine nitrifiers work
 * best at 25 to 32 °C, die off over hours in the upper thirties, and stand still in the cold; they bear
 * the salinity of the sea with a third either way, and a pH of 7 to 8.7. The careful side of each is
 * taken, since a reading is one moment of a time that nobody measured.
 */
export interface FilterBacteriaBounds {
  slow?: { low?: number; high?: number };
  harm?: { low?: number; high?: number };
}

/** All there is to know about one parameter. */
export interface Spec<Id extends string> {
  id: Id;
  /** As the keeper says it. */
  name: string;
  /** In the middle of a sentence. */
  inSentence: string;
  dimension: Dimension;
  /** The unit the core computes in; also the first one offered for reading it. */
  canonicalUnit: Unit;
  /** Units an instrument or the display may use, most usual first. */
  units: readonly [Unit, ...Unit[]];
  /** The unit it is shown in until the keeper chooses another. */
  shownUnit: Unit;
  /** Whether its units are bases printed on the kit: a corrected basis corrects the kit's history. */
  basis: boolean;
  /** A reading older than this many days says nothing about today. */
  guardDays: number;
  /** Canonical values outside this range cannot occur in a tank: a slip while typing. */
  possible: Interval;
  /** Canonical values outside this range are worth asking about once. */
  likely: Interval;
  /** Canonical value at and below which a reading may count as zero; null where zero has no meaning. */
  zeroBelow: number | null;
  /** Whether it may sensibly be shown on a logarithmic or zero-based scale: zero-based ones start at 0. */
  zeroBased: boolean;
  /** The smallest change, canonical, that a trend may be called by. */
  steady: number;
  /** A change since the last reading, canonical, that is worth asking about; null where none is. */
  jump: number | null;
  /** What water at or beyond these does to nitrifying bacteria; empty where it does nothing to them. */
  filterBacteria: FilterBacteriaBounds;
  /** Days between two tests by what the tank is doing; null where it is not asked for. */
  everyDays: { cycling: number | null; running: number | null };
  /** Minutes that a test takes. */
  minutes: number;
  /** What to start a kit for it from. */
  kits: readonly KitTemplate[];
}
