import { fromCanonical } from '../../../src/core/parameters/convert';
import type {
  ColorimeterReading,
  COLORIMETER_PARAMETERS,
  Instrument,
} from '../../../src/core/monitor/protocol';
import type { PlayedTank } from './playedTank';

type Parameter = (typeof COLORIMETER_PARAMETERS)[number];
/** A blank holds as long as the lamp stays as it is. */
const BLANK_HOLDS_MS = 10 * 60_000;
/** Reagents need their time. */
const READS_MS = 3000;

const SHOWS: Readonly<
  Record<Parameter, Pick<ColorimeterReading, 'unit'> & { step: number; sd: number }>
> = {
  ammonia: { unit: 'ammonia N', step: 0.01, sd: 0.02 },
  nitrite: { unit: 'nitrite N', step: 0.001, sd: 0.004 },
  nitrate: { unit: 'nitrate NO3', step: 0.1, sd: 0.4 },
  phosphate: { unit: 'ppm PO4', step: 0.01, sd: 0.02 },
};

export type ColorimeterAnswer =
  | { waitMs: number }
  | { needsBlank: true }
  | { reading: ColorimeterReading };

/** Plays a colorimeter: a vial of tank water first as the blank, then the same with its reagent. */
export class PlayedColorimeter {
  readonly about: Instrument;
  private blankedAt: number | null = null;
  private asked: { parameter: Parameter; at: number } | null = null;

  constructor(
    id: string,
    name: string,
    private readonly tank: PlayedTank,
  ) {
    this.about = { id, kind: 'colorimeter', name, madeUp: true };
  }

  blank(now: number): void {
    this.blankedAt = now;
    this.asked = null;
  }

  measure(parameter: Parameter, now: number): ColorimeterAnswer {
    if (this.blankedAt === null || now - this.blankedAt > BLANK_HOLDS_MS)
      return { needsBlank: true };
    if (this.asked?.parameter !== parameter) this.asked = { parameter, at: now };
    const passed = now - this.asked.at;
    if (passed < READS_MS) return { waitMs: READS_MS - passed };
    this.asked = null;
    const { unit, step, sd } = SHOWS[parameter];
    const truth = fromCanonical(this.tank.at(now)[parameter], unit);
    const read = truth + sd * this.tank.chance.normal('kit', parameter, Math.floor(now / 1000));
    const value = Math.max(0, Math.round(read / step)) / Math.round(1 / step);
    return { reading: { at: now, parameter, value, unit, blankedAt: this.blankedAt } };
  }
}
