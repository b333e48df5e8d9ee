import { atTimeOn, isoInZone } from '../time/zone';

/** A moment, and how the tank's clock showed it. */
export interface Moment {
  at: number;
  iso: string;
}

const MINUTE_MS = 60_000;
const two = (n: number): string => String(n).padStart(2, '0');

/** Minutes of a time of day: "18:30". */
const minutesOf = (time: string): number =>
  Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** A zone's distance from UTC, ms, and as it is written: "+02:00". */
interface Offset {
  ms: number;
  words: string;
}

/** The offsets of a month, and the day on which it changes; after its last where it does not. */
interface Month {
  changes: number;
  before: Offset;
  after: Offset;
}

const LAST_DAY = 32;
const daysIn = (month: number): number =>
  new Date(Date.UTC(Math.floor(month / 12), (month % 12) + 1, 0)).getUTCDate();

function offsetOf(words: string): Offset {
  const ms = minutesOf(words.slice(1)) * MINUTE_MS;
  return { ms: words.startsWith('-') ? -ms : ms, words };
}

/**
 * Reads times of day in one zone. A zone is slow to ask, and a sheet of years asks it of thousands of days: a
 * month at whose ends the clock is the same had no change within, since no zone makes two in one, and in another
 * the day of the change is searched for.
 */
export class SheetClock {
  private readonly months = new Map<string, Month>();
  private readonly starts = new Map<string, string>();

  constructor(private readonly zone: string) {}

  /** The offset in words as a day of a month begins; months are counted from the year 0. */
  private offsetOn(month: number, date: number): string {
    const day = `${Math.floor(month / 12)}-${two((month % 12) + 1)}-${two(date)}`;
    const known = this.starts.get(day);
    if (known !== undefined) return known;
    const words = isoInZone(atTimeOn(day, 0, 0, this.zone), this.zone).slice(19);
    this.starts.set(day, words);
    return words;
  }

  /** The offset of a day, where no clock is changed on it. */
  private dayOffset(day: string): Offset | null {
    const name = day.slice(0, 7);
    let month = this.months.get(name);
    if (month === undefined) {
      month = this.monthOf(name);
      this.months.set(name, month);
    }
    const date = Number(day.slice(8));
    if (date < month.changes) return month.before;
    return date > month.changes ? month.after : null;
  }

  private monthOf(name: string): Month {
    const month = Number(name.slice(0, 4)) * 12 + Number(name.slice(5)) - 1;
    const [first, next] = [this.offsetOn(month, 1), this.offsetOn(month + 1, 1)];
    const [before, after] = [offsetOf(first), offsetOf(next)];
    if (first === next) return { changes: LAST_DAY, before, after };
    // Days up to `low` begin under the first offset, those from `high` on under the next.
    let [low, high] = [1, LAST_DAY];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (middle <= daysIn(month) && this.offsetOn(month, middle) === first) low = middle;
      else high = middle;
    }
    return { changes: low, before, after };
  }

  /** @param time "18:30" @param day "2026-11-24" */
  moment(day: string, time: string): Moment {
    const offset = this.dayOffset(day);
    const minutes = minutesOf(time);
    if (offset === null) {
      return this.of(atTimeOn(day, Math.floor(minutes / 60), minutes % 60, this.zone));
    }
    const days = Date.UTC(
      Number(day.slice(0, 4)),
      Number(day.slice(5, 7)) - 1,
      Number(day.slice(8)),
    );
    return {
      at: days + minutes * MINUTE_MS - offset.ms,
      iso: `${day}T${time}:00${offset.words}`,
    };
  }

  of(at: number): Moment {
    return { at, iso: isoInZone(at, this.zone) };
  }
}
