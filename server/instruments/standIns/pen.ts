import type { Instrument, PenReading } from '../../../src/core/monitor/protocol';
import {
  conductivityFromSalinity,
  salinityFromConductivity,
} from '../../../src/core/seawater/conductivity';
import type { PlayedTank } from './playedTank';

/** Seconds after it is switched on until it shows anything, and those in which it comes to the water's temperature. */
const WARM_UP_MS = 10_000;
const SETTLES_MS = 20_000;
const ROOM = 21;
/** Left alone so long it switches itself off. */
const OFF_AFTER_MS = 5 * 60_000;
const DAY_MS = 86_400_000;
/** What it drifts in a month, as a share of what it shows. */
const DRIFT = 0.012;

export type PenAnswer = { waitMs: number } | { reading: PenReading };

/** Plays a conductivity pen: it warms up, comes to the temperature of the water, and drifts with the months. */
export class PlayedPen {
  readonly about: Instrument;
  private onSince: number | null = null;
  private usedAt = 0;

  constructor(
    id: string,
    name: string,
    private readonly tank: PlayedTank,
    private readonly madeAt: number,
  ) {
    this.about = { id, kind: 'pen', name, madeUp: true };
  }

  measure(now: number): PenAnswer {
    if (this.onSince === null || now - this.usedAt > OFF_AFTER_MS) this.onSince = now;
    this.usedAt = now;
    const on = now - this.onSince;
    if (on < WARM_UP_MS) return { waitMs: WARM_UP_MS - on };
    const truth = this.tank.at(now);
    const settled = Math.min(1, (on - WARM_UP_MS) / SETTLES_MS);
    const temperature = truth.temperature + (ROOM - truth.temperature) * 0.3 * (1 - settled);
    const drift = 1 + (DRIFT * (now - this.madeAt)) / (30 * DAY_MS);
    const noise = 0.03 * this.tank.chance.normal('kit', 'pen', Math.floor(now / 1000));
    const conductivity =
      Math.round(
        (conductivityFromSalinity(truth.salinity, truth.temperature) * drift + noise) * 100,
      ) / 100;
    const shownTemperature = Math.round(temperature * 10) / 10;
    return {
      reading: {
        at: now,
        conductivity,
        temperature: shownTemperature,
        salinity: Math.round(salinityFromConductivity(conductivity, shownTemperature) * 100) / 100,
        steady: settled === 1,
      },
    };
  }
}
