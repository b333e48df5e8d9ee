import { fromCanonical } from '../../../src/core/parameters/convert';
import type { Instrument } from '../../../src/core/monitor/protocol';
import type { Slip } from '../../../src/core/monitor/slipSchema';
import type { PlayedTank } from './playedTank';

/** So long the shop takes. */
const TAKES_MS = 20_000;
const MOST_OPEN = 200;

/** Plays a shop's counter: a bottle of water is handed in, and a slip is there some time later. */
export class PlayedCounter {
  readonly about: Instrument;
  private readonly open = new Map<string, { slip: Slip; readyAt: number }>();

  constructor(
    id: string,
    name: string,
    private readonly tank: PlayedTank,
    private readonly newTicket: () => string,
  ) {
    this.about = { id, kind: 'counter', name, madeUp: true };
  }

  handIn(
    drawnAt: number,
    label: string | undefined,
    now: number,
  ): { ticket: string; readyAt: number } {
    const ticket = this.newTicket();
    const readyAt = now + TAKES_MS;
    const water = this.tank.at(drawnAt);
    // Ammonia goes on being used up in the bottle, and carbon dioxide leaves it.
    const hours = Math.max(0, now - drawnAt) / 3_600_000;
    const spread = (what: string, sd: number) =>
      1 + sd * this.tank.chance.normal('kit', `counter ${what}`, Math.floor(now / 1000));
    const figure = (value: number, decimals: number) => Math.max(0, value).toFixed(decimals);
    const ammonia = fromCanonical(water.ammonia, 'ammonia NH3') * 0.9 ** hours;
    this.open.set(ticket, {
      readyAt,
      slip: {
        drawnAt,
        testedAt: readyAt,
        ...(label === undefined ? {} : { label }),
        lines: [
          { what: 'Ammonia', value: ammonia < 0.1 ? 'fine' : figure(ammonia, 2), unit: 'ppm NH3' },
          {
            what: 'Nitrite',
            value: figure(fromCanonical(water.nitrite, 'nitrite NO2') * spread('nitrite', 0.2), 2),
            unit: 'mg/L NO2',
          },
          {
            what: 'Nitrate',
            value: figure(water.nitrate * 1.4 * spread('nitrate', 0.15), 1),
            unit: 'mg/L NO3-N',
          },
          {
            what: 'Phosphate',
            value: figure(fromCanonical(water.phosphate, 'ppb P') * spread('phosphate', 0.1), 0),
            unit: 'ppb P',
          },
          {
            what: 'Alkalinity',
            value: figure(water.alkalinity * 17.848 * spread('alkalinity', 0.03), 0),
            unit: 'ppm CaCO3',
          },
          { what: 'pH', value: figure(water.ph - 0.1, 1), unit: '' },
          {
            what: 'Specific gravity',
            value: (1 + water.salinity * 0.0007542).toFixed(3),
            unit: 'sg 25/25',
          },
          { what: 'Temperature', value: figure(21, 0), unit: '°C' },
        ],
        advice: 'All looks great. Two bottles of our conditioner would do no harm.',
      },
    });
    for (const old of this.open.keys()) {
      if (this.open.size <= MOST_OPEN) break;
      this.open.delete(old);
    }
    return { ticket, readyAt };
  }

  /** The slip of a ticket; how long it still takes; null for a ticket that nobody gave out. */
  slip(ticket: string, now: number): { slip: Slip } | { waitMs: number } | null {
    const found = this.open.get(ticket);
    if (!found) return null;
    return now < found.readyAt ? { waitMs: found.readyAt - now } : { slip: found.slip };
  }
}
