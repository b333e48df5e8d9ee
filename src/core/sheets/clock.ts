import { atTimeOn, dayStart, isoInZone } from '../time/zone';
import { shiftDay } from '../time/calendar';

/** A moment, and how the tank's clock showed it. */
export interface Moment {
  at: number;
  iso: string;
}

const HOUR_MS = 3_600_000;

/**
 * Reads times of day in one zone. A zone is slow to ask, and a sheet of years asks it of the same days again
 * and again: a day on which no clock is changed needs its midnight alone.
 */
export class SheetClock {
  private readonly days = new Map<string, { start: number; offset: string } | null>();

  constructor(private readonly zone: string) {}

  private plainDay(day: string): { start: number; offset: string } | null {
    const known = this.days.get(day);
    if (known !== undefined) return known;
    const start = dayStart(day, this.zone);
    const next = dayStart(shiftDay(day, 1, day), this.zone);
    const plain = next - start === 24 * HOUR_MS;
    const found = plain ? { start, offset: isoInZone(start, this.zone).slice(19) } : null;
    this.days.set(day, found);
    return found;
  }

  /** @param time "18:30" @param day "2026-11-24" */
  moment(day: string, time: string): Moment {
    const [hours = 0, minutes = 0] = time.split(':').map(Number);
    const plain = this.plainDay(day);
    if (plain) {
      const at = plain.start + hours * HOUR_MS + minutes * 60_000;
      return { at, iso: `${day}T${time}:00${plain.offset}` };
    }
    return this.of(atTimeOn(day, hours, minutes, this.zone));
  }

  of(at: number): Moment {
    return { at, iso: isoInZone(at, this.zone) };
  }
}
