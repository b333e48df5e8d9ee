import { FILE_VERSION } from '../records/file/parse';
import fc from 'fast-check';
import { draws } from '../../testing/draws';
import { livedOn, moves } from '../../testing/livedOn';
import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { createRecord } from '../records/acts';
import { allRevisions, EMPTY_LOG, mergeRevisions, recordOf, type Log } from '../records/log';
import { METRIC_SETTINGS, SETTINGS_ID } from '../records/schema/settings';
import { makeCarry, writeCarry, type Carry } from './carry';
import type { Device } from './device';
import { monthOf, monthsOf } from './months';
import { calledHere, newestFirst, withReceipt, type Receipts } from './receipts';
import { planTakeOver } from './takeOver';

const DEVICES: readonly Device[] = [
  { id: 'phone', name: 'Phone' },
  { id: 'desk', name: 'Desk' },
  { id: 'tablet', name: 'Tablet' },
];
const begun = mergeRevisions(EMPTY_LOG, new LogBuilder().revisions);
const DAY_MS = 86_400_000;

/** A device of a household, and what it remembers of the others. */
interface Place {
  device: Device;
  log: Log;
  receipts: Receipts;
}

let made = 0;
const carryFrom = (place: Place, to: string | null): Carry => {
  made += 1;
  const about = {
    id: testId(500_000 + made),
    from: place.device,
    madeAt: new Date(onDay(60) + made * 1000).toISOString(),
    wants: [],
  };
  return makeCarry(place.log, about, to === null ? null : (place.receipts[to] ?? null));
};

const takeOver = (place: Place, carry: Carry): Place => {
  const { merged } = planTakeOver(place.log, carry, carry.records, place.device.id);
  return { ...place, log: merged, receipts: withReceipt(place.receipts, carry) };
};

const contents = (log: Log) =>
  allRevisions(log)
    .map((one) => JSON.stringify(one))
    .sort();

const places = (): Place[] => DEVICES.map((device) => ({ device, log: begun, receipts: {} }));

/** What happens in a household: somebody writes, makes a carry, or takes over one that lies about. */
const happening = fc.oneof(
  fc.record({ what: fc.constant('write' as const), who: fc.nat(2), days: fc.nat(90), moves }),
  fc.record({ what: fc.constant('carry' as const), who: fc.nat(2), to: fc.nat(3) }),
  fc.record({ what: fc.constant('take' as const), who: fc.nat(2), which: fc.nat(30) }),
);

describe('carries between three devices', () => {
  it('come to the same log everywhere, whatever was lost, came late or came twice', () => {
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 25 }), (story) => {
        const all = places();
        const carries: Carry[] = [];
        story.forEach((one, i) => {
          const place = all[one.who] as Place;
          if (one.what === 'write') {
            const by = { device: place.device.id, at: onDay(1) + one.days * DAY_MS };
            all[one.who] = { ...place, log: livedOn(place.log, one.moves, i * 100, by) };
          } else if (one.what === 'carry') {
            carries.push(carryFrom(place, DEVICES[one.to]?.id ?? null));
          } else {
            const carry = carries[one.which % Math.max(1, carries.length)];
            if (carry) all[one.who] = takeOver(place, carry);
          }
        });
        // At last everyone carries to everyone once more, each by the receipt that it has.
        for (const from of [0, 1, 2, 0, 1]) {
          for (const to of [0, 1, 2].filter((one) => one !== from)) {
            const carry = carryFrom(all[from] as Place, DEVICES[to]?.id ?? null);
            all[to] = takeOver(all[to] as Place, carry);
          }
        }
        const [first, ...others] = all.map(({ log }) => log) as [Log, ...Log[]];
        for (const other of others) {
          expect(contents(other)).toEqual(contents(first));
          for (const { id } of allRevisions(first)) {
            expect(recordOf(other, id)?.head).toEqual(recordOf(first, id)?.head);
          }
        }
      }),
      { numRuns: draws(50) },
    );
  });

  it('hold nothing once the receipt says that it is all there, and taken twice change nothing', () => {
    fc.assert(
      fc.property(moves, moves, (ours, theirs) => {
        let [phone, desk] = places() as [Place, Place, Place];
        phone = { ...phone, log: livedOn(phone.log, ours, 0, { device: 'phone', at: onDay(1) }) };
        desk = { ...desk, log: livedOn(desk.log, theirs, 900, { device: 'desk', at: onDay(40) }) };
        const first = carryFrom(phone, 'desk');
        expect(first.records).toHaveLength(phone.log.size);
        desk = takeOver(takeOver(desk, first), first);
        const answer = carryFrom(desk, 'phone');
        phone = takeOver(phone, answer);
        expect(contents(phone.log)).toEqual(contents(desk.log));
        expect(carryFrom(phone, 'desk').records).toEqual([]);
        // What the phone had, the desk does not carry back, unless it wrote in the same month.
        const written = new Set(monthsIn(desk.log, 'desk'));
        for (const one of answer.records) expect(written.has(monthOf(one))).toBe(true);
      }),
      { numRuns: draws(30) },
    );
  });
});

/** The months in which a device wrote. */
const monthsIn = (log: Log, device: string): string[] =>
  allRevisions(log).flatMap((one) => (one.device === device ? [monthOf(one)] : []));

describe('a carry', () => {
  const [phone, desk, tablet] = places() as [Place, Place, Place];

  it('leaves the settings of the other alone, and gives its own to one that has none', () => {
    const stamp = {
      actId: testId(1),
      device: 'phone',
      recordedAt: new Date(onDay(2)).toISOString(),
    };
    const own = createRecord(stamp, SETTINGS_ID, 'settings', METRIC_SETTINGS);
    const with_ = { ...phone, log: mergeRevisions(phone.log, [own]) };
    expect(monthsOf(allRevisions(with_.log))).toEqual(monthsOf(allRevisions(phone.log)));
    expect(takeOver(desk, carryFrom(with_, null)).log.settings).toHaveLength(1);
    const told = takeOver(with_, carryFrom(desk, null));
    expect(carryFrom(told, 'desk').records).toEqual([]);
  });

  it('that was made for another device says which months may lack something', () => {
    const by = { device: 'phone', at: onDay(1) };
    const written = { ...phone, log: livedOn(phone.log, [[0, 0]], 0, by) };
    const heard = takeOver(written, carryFrom(takeOver(desk, carryFrom(written, null)), null));
    const later = {
      ...heard,
      log: livedOn(heard.log, [[0, 0]], 50, { device: 'phone', at: onDay(65) }),
    };
    const carry = carryFrom(later, 'desk');
    expect(carry.to).toBe('desk');
    const plan = planTakeOver(tablet.log, carry, carry.records, 'tablet');
    expect(plan.lacking).toEqual([monthOf({ recordedAt: new Date(onDay(1)).toISOString() })]);
    expect(planTakeOver(desk.log, carry, carry.records, 'desk').lacking).toEqual([]);
  });

  it('that comes late takes no newer receipt away, and few devices are remembered', () => {
    const old = carryFrom(phone, null);
    const by = { device: 'phone', at: onDay(3) };
    const fresh = carryFrom({ ...phone, log: livedOn(phone.log, [[0, 0]], 0, by) }, null);
    const receipts = withReceipt(withReceipt({}, fresh), old);
    expect(receipts.phone?.months).toEqual(fresh.months);
    const many = Array.from({ length: 30 }, (_, i) => ({
      ...old,
      from: { id: `device${i}`, name: `Device ${i}` },
      madeAt: new Date(onDay(i)).toISOString(),
    })).reduce(withReceipt, {} as Receipts);
    expect(newestFirst(many)).toHaveLength(12);
    expect(newestFirst(many)[0]?.name).toBe('Device 29');
  });

  it('is of another one even where both are called alike', () => {
    expect(calledHere({ name: 'Computer' }, 'computer ')).toBe('the other Computer');
    expect(calledHere({ name: 'Phone' }, 'Computer')).toBe('Phone');
  });

  it('is plain JSON that says what it is', () => {
    const read = JSON.parse(writeCarry(carryFrom(phone, null))) as Record<string, unknown>;
    expect(read).toMatchObject({
      format: 'zoarium-carry',
      version: FILE_VERSION,
      from: { name: 'Phone' },
    });
  });
});
