import { randomBytes } from 'node:crypto';
import type { Instrument } from '../../src/core/monitor/protocol';
import { PlayedColorimeter } from './standIns/colorimeter';
import { PlayedCounter } from './standIns/counter';
import { PlayedMonitor } from './standIns/monitor';
import { PlayedPen } from './standIns/pen';
import { PlayedTank } from './standIns/playedTank';

const DAY_MS = 86_400_000;
/** The made-up tank has run for so long, and the monitor has measured for some days of it. */
const RUN_DAYS = 40;

export interface HouseholdOptions {
  seed: number;
  /** Days of the past that the monitor measures, and how many times faster than time it does. */
  pastDays: number;
  speed: number;
}
export const USUAL: HouseholdOptions = { seed: 20, pastDays: 2, speed: 3600 };

/** The made-up instruments at one made-up tank. */
export class Household {
  readonly monitor: PlayedMonitor;
  readonly pen: PlayedPen;
  readonly colorimeter: PlayedColorimeter;
  readonly counter: PlayedCounter;

  constructor({ seed, pastDays, speed }: HouseholdOptions, now: number) {
    const tank = new PlayedTank(seed, now - RUN_DAYS * DAY_MS);
    const random = (bytes: number) => randomBytes(bytes).toString('hex');
    this.monitor = new PlayedMonitor(
      {
        id: 'monitor',
        name: 'A monitor with four probes',
        tank,
        from: now - pastDays * DAY_MS,
        speed,
        newEpoch: () => random(6),
      },
      now,
    );
    this.pen = new PlayedPen('pen', 'A conductivity pen', tank, now - RUN_DAYS * DAY_MS);
    this.colorimeter = new PlayedColorimeter('colorimeter', 'A colorimeter', tank);
    this.counter = new PlayedCounter('counter', 'The counter of a shop', tank, () => random(8));
  }

  get instruments(): readonly Instrument[] {
    return [this.monitor.about, this.pen.about, this.colorimeter.about, this.counter.about];
  }
}
