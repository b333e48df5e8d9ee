import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import { HOUR_MS, MINUTE_MS } from '../../time/zone';
import { narrowKey } from '../../records/keys';
import { dayAfter } from '../days';
import type { CalendarEvent } from './calendarEvents';

/** Exports are counted by the minute from here on: a later one replaces what an earlier one wrote. */
const COUNTED_FROM = Date.UTC(2026, 0, 1);
/** Minutes before a moment at which its alarm rings. */
const BEFORE_MINUTES = 5;

const dateOf = (day: string) => new Date(`${day}T00:00:00.000Z`);

/**
 * A calendar file (RFC 5545) of events with an alarm each. Whole days bear no zone and mean the same
 * day everywhere; moments are written in the world's time.
 * @param hour of the day at which whole days ring, 0 to 23
 * @param at the moment of the export, ms
 */
export function icsOf(events: readonly CalendarEvent[], hour: number, at: number): string {
  const calendar = ical({
    name: 'Zoarium',
    prodId: { company: 'Zoarium', product: 'Maintenance', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const sequence = Math.max(0, Math.floor((at - COUNTED_FROM) / MINUTE_MS));
  for (const { uid, title, because, when, rule, minutes } of events) {
    const day = 'from' in when;
    const event = calendar.createEvent({
      id: `${narrowKey(uid)}@zoarium`,
      sequence,
      stamp: new Date(at),
      summary: title,
      description: [because, minutes > 0 ? `About ${minutes} min` : ''].filter(Boolean).join('. '),
      transparency: ICalEventTransparency.TRANSPARENT,
      start: day ? dateOf(when.from) : new Date(when.at),
      // The end of a whole day is the day after it.
      end: day ? dateOf(dayAfter(when.until, 1)) : new Date(when.at + minutes * MINUTE_MS),
      allDay: day,
    });
    if (rule) event.repeating(`RRULE:${rule}`);
    event.createAlarm(
      day
        ? { type: ICalAlarmType.display, triggerAfter: (hour * HOUR_MS) / 1000, description: title }
        : { type: ICalAlarmType.display, triggerBefore: BEFORE_MINUTES * 60, description: title },
    );
  }
  return calendar.toString();
}
