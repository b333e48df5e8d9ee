import type { Deed } from '../../../src/core/practice/deeds/deeds';
import type { Entry } from '../../../src/core/records/kinds';
import { LAWS_NOW } from '../../../src/core/practice/world/nature';
import { chanceOf, type Chance } from '../../../src/core/practice/world/chance';
import {
  courseOf,
  TRUTHS,
  type Course,
  type Start,
  type Truth,
} from '../../../src/core/practice/world/live';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Days that are lived ahead at a time. */
const AHEAD_DAYS = 4;
const LITRES = 160;
const TANK_ID = '00000000-0000-8000-8000-000000000000';
/** mg N/L of a dose from the page of an instrument. */
const DOSE = 1;

/** What is truly in the water at a moment. */
export type Truths = Readonly<Record<Truth, number>>;

/** A tank that nobody has, for instruments to measure: that of practice, lived ahead hour by hour. */
export class PlayedTank {
  readonly chance: Chance;
  private readonly start: Start;
  private deeds: Deed[];
  private course: Course | null = null;
  private livedUntil = 0;

  /** @param filledAt ms; what is asked of it before then is answered by its first hour */
  constructor(seed: number, filledAt: number) {
    this.chance = chanceOf(seed);
    this.start = {
      seed,
      beginning: { rock: 'liveRock', computedLitres: LITRES, hidden: {}, laws: LAWS_NOW },
      filledAt,
      dial: 25.5,
      toppedOff: true,
      measures: () => undefined,
      oldKits: new Set(),
    };
    this.deeds = [this.deed(filledAt, { kind: 'filled' })];
  }

  private deed(at: number, said: { kind: 'filled' } | { kind: 'dose' }): Deed {
    const common = { tankId: TANK_ID, at: new Date(at).toISOString() };
    const entry: Entry =
      said.kind === 'filled'
        ? { ...common, kind: 'filled' }
        : {
            ...common,
            kind: 'dose',
            substance: 'ammoniumChloride',
            amount: { by: 'mL', mL: LITRES },
            strength: {
              by: 'label',
              amount: 1,
              unit: 'mL',
              litres: 1,
              gives: DOSE,
              basis: 'ammonia N',
            },
            about: false,
          };
    return { id: `${said.kind} ${at}`, at, entry };
  }

  /** Ammonium goes into the tank: about 1 mg N/L. */
  dose(at: number): void {
    this.deeds = [...this.deeds, this.deed(at, { kind: 'dose' })].sort((a, b) => a.at - b.at);
    this.course = null;
  }

  /** Between two hours what lies between them. */
  at(moment: number): Truths {
    const { filledAt } = this.start;
    const hours = Math.max(0, (moment - filledAt) / HOUR_MS);
    if (!this.course || moment + HOUR_MS > this.livedUntil) {
      this.livedUntil = moment + AHEAD_DAYS * DAY_MS;
      this.course = courseOf(this.start, this.deeds, this.livedUntil);
    }
    const { series } = this.course;
    const before = Math.floor(hours);
    const share = hours - before;
    return Object.fromEntries(
      TRUTHS.map((truth) => {
        const from = series[truth][before] ?? 0;
        const to = series[truth][before + 1] ?? from;
        return [truth, from + (to - from) * share];
      }),
    ) as Record<Truth, number>;
  }
}
