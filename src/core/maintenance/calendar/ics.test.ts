import ICAL from 'ical.js';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { bandsOf } from '../../parameters/bands';
import { tankHistory } from '../../history/derive';
import { createRecord } from '../../records/acts';
import { dueTasks } from '../../tasks/due';
import { verdictOf } from '../../cycle/verdict/verdict';
import { dayOf, instant } from '../../time/zone';
import { calendarEvents, type CalendarEvent } from './calendarEvents';
import { choreTimes, choresOf } from '../chores';
import { icsOf } from './ics';

const HOUR = 18;

function exported(builder: LogBuilder, at: number) {
  const log = builder.log();
  const history = tankHistory(log, builder.tankId, at);
  const verdict = verdictOf(history, at, bandsOf('mixedReef', {}));
  const tasks = dueTasks(history, verdict, new Set(['nitrate', 'alkalinity']), at);
  const events = calendarEvents(log, [{ history, tasks }], at);
  return { log, history, events, text: icsOf(events, HOUR, at) };
}

/** Every event of a calendar file by its uid; a strict reading throws at what the standard forbids. */
function parsed(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text));
  const list = calendar.getAllSubcomponents('vevent');
  return new Map(list.map((one) => [new ICAL.Event(one).uid, new ICAL.Event(one)]));
}

function keeper(zone: string) {
  const builder = new LogBuilder({ zone, runningSince: '2026-03-02', fishInSince: '2026-03-02' });
  builder.revisions.push(
    createRecord(builder.stamp(), builder.newId(), 'absence', {
      from: '2026-04-02',
      until: '2026-04-13',
      minder: 'Ines',
      call: '',
      tanks: {},
    }),
    createRecord(builder.stamp(), builder.newId(), 'run', {
      procedure: 'mix',
      tankId: builder.tankId,
      begunAt: new Date(onDay(20)).toISOString(),
      ended: null,
      given: {},
      steps: {},
      clocks: { mix: new Date(onDay(20, 14)).toISOString() },
    }),
  );
  return builder;
}

describe('the calendar file', () => {
  it('passes a strict parser, every event with its own uid, an alarm and what it is', () => {
    const { text, events } = exported(keeper('Europe/Berlin'), onDay(20));
    const read = parsed(text);
    expect(read.size).toBe(events.length);
    expect(events.length).toBeGreaterThan(8);
    for (const event of read.values()) {
      expect(event.summary).not.toBe('');
      expect(event.component.getAllSubcomponents('valarm')).toHaveLength(1);
      expect(event.endDate.compare(event.startDate)).toBeGreaterThan(0);
    }
    // Lines are no longer than the standard lets them be, and end as it says.
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text.startsWith('BEGIN:VCALENDAR\r\n')).toBe(true);
    const clock = [...read.values()].find(({ summary }) => summary.startsWith('The time is up'));
    expect(clock?.startDate.toJSDate().getTime()).toBe(onDay(20, 14));
  });

  it.each(['Europe/Berlin', 'America/Los_Angeles', 'Pacific/Auckland', 'Asia/Kathmandu'])(
    'keeps whole days in %s, over the change of its clocks',
    (zone) => {
      // A fortnight on either side of the days on which clocks change in most of the world.
      for (const start of ['2026-03-20', '2026-09-20', '2026-10-18']) {
        const at = instant(`${start}T23:30:00Z`);
        const builder = keeper(zone);
        const { text, history, log } = exported(builder, at);
        const read = parsed(text);
        for (const chore of choresOf(history, log.chores)) {
          const event = read.get(`chore-${chore.id}-${builder.tankId}@zoarium`);
          if (!event) throw new Error(chore.id);
          expect(event.startDate.isDate).toBe(true);
          const today = dayOf(at, zone);
          const { open } = choreTimes(chore, history, at, today);
          const first = event.startDate.toString();
          expect(first >= today).toBe(true);
          if (open >= today) expect(first).toBe(open);
          // Its times by the parser are those of the rule, day by day.
          const days: string[] = [];
          const iterator = event.iterator();
          for (let i = 0; i < 6; i += 1) days.push(iterator.next().toString());
          expect(days[0]).toBe(first);
          if (chore.rule.by === 'days') {
            const gaps = days
              .slice(1)
              .map((day, i) => (Date.parse(day) - Date.parse(days[i] ?? '')) / 86_400_000);
            expect(new Set(gaps)).toEqual(new Set([chore.rule.every]));
          }
        }
      }
    },
  );

  it('exported again replaces what is there: the same uids, a higher sequence, the new day', () => {
    const builder = keeper('Europe/Berlin');
    const first = parsed(exported(builder, onDay(20)).text);
    builder.entry(onDay(20, 13), { kind: 'waterChange', litres: 10, newWater: {} });
    const again = parsed(exported(builder, onDay(21)).text);
    const uid = `chore-waterChange-${builder.tankId}@zoarium`;
    const [a, b] = [first.get(uid), again.get(uid)];
    expect(b?.sequence).toBeGreaterThan(a?.sequence ?? Infinity);
    expect(b?.startDate.toString()).toBe('2026-04-05');
    for (const one of again.keys()) {
      if (one.startsWith('chore-')) expect([...first.keys()]).toContain(one);
    }
  });

  it('holds milestones over the days they lie in, and what is asked for weeks ahead', () => {
    const builder = keeper('Europe/Berlin');
    const log = builder.log();
    const history = tankHistory(log, builder.tankId, onDay(20));
    const milestone = {
      id: 'nitriteClears',
      label: 'Nitrite clear',
      at: onDay(27),
      passed: false,
      because: 'By the forecast',
      range: { low: onDay(25), high: onDay(29), innerLow: onDay(26), innerHigh: onDay(28) },
    } as const;
    const ask = {
      id: 'light/x',
      title: 'Raise it a level',
      because: '',
      minutes: 5,
      due: onDay(45),
      opens: { form: 'note' },
    } as const;
    const passed = { ...milestone, id: 'ammoniaClears', passed: true } as const;
    const dated = [{ history, tasks: [], asks: [ask], milestones: [milestone, passed] }];
    const read = parsed(icsOf(calendarEvents(log, dated, onDay(20)), HOUR, onDay(20)));
    const clear = read.get(`milestone-nitriteClears-${builder.tankId}@zoarium`);
    expect([clear?.startDate.toString(), clear?.endDate.toString()]).toEqual([
      '2026-03-27',
      '2026-04-01',
    ]);
    expect(read.has(`milestone-ammoniaClears-${builder.tankId}@zoarium`)).toBe(false);
    const light = read.get(`task-light-x-${builder.tankId}@zoarium`);
    expect(light?.startDate.toString()).toBe('2026-04-16');
  });

  it('escapes what a name may hold', () => {
    const event: CalendarEvent = {
      uid: 'x',
      title: 'Feed; the "anemone", twice\\ äöü 🐠',
      because: 'a line\nand another',
      when: { from: '2026-12-31', until: '2026-12-31' },
      minutes: 5,
    };
    const read = parsed(icsOf([event], 7, onDay(1))).get('x@zoarium');
    expect(read?.summary).toBe(event.title);
    expect(read?.description).toBe('a line\nand another. About 5 min');
    expect(read?.endDate.toString()).toBe('2027-01-01');
    const alarm = read?.component.getFirstSubcomponent('valarm')?.getFirstPropertyValue('trigger');
    expect(String(alarm)).toBe('PT7H');
  });

  it('writes no line of its own, whatever a key holds', () => {
    const event: CalendarEvent = {
      uid: 'clock-1-brew\r\nBEGIN:VEVENT\r\nSUMMARY:mine',
      title: 'Brew',
      because: '',
      when: { from: '2026-12-31', until: '2026-12-31' },
      minutes: 0,
    };
    const text = icsOf([event], 7, onDay(1));
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(1);
    expect([...parsed(text).values()].map(({ summary }) => summary)).toEqual(['Brew']);
  });
});
