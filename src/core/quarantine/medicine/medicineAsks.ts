import type { TankHistory } from '../../history/tankHistory';
import { isMedicine } from '../../records/kinds/treatment';
import type { Medicine } from '../../records/schema/medicine';
import type { Ask } from '../../tasks/types';
import { addDaysIn, startOfDayIn } from '../../time/zone';
import { countOf } from '../../units/format';
import { goneSince } from './copper';
import { labelDays } from './labelDays';
import { presentIn } from './treated';

type Labels = readonly { id: string; body: Medicine }[];

/** What a kit has to read, where that is a matter of how copper is held. */
function kitWords({ kind, copper }: Medicine): string {
  if (kind !== 'copper') return '';
  return copper === 'chelated' || copper === 'ionic'
    ? `, with a kit that reads ${copper} copper`
    : ', with a kit that reads this kind of copper: its label or its maker says which';
}

/** What was logged of a medicine since it was last out of the water, in order of time. */
function sinceOut(history: TankHistory, id: string, body: Medicine) {
  const own = history.entries.medication.filter(({ entry }) => entry.medicineId === id);
  const last = own.findLast(({ entry }) => entry.act === 'given');
  if (!last) return null;
  const outs = [
    ...own.filter(({ entry }) =>
      entry.act === 'measured'
        ? entry.value === 0
        : entry.act === 'carbonIn' && body.kind !== 'copper',
    ),
    ...history.entries.cleaning,
  ].map(({ at }) => at);
  const gone = Math.max(...outs.filter((out) => out <= last.at));
  return { own: own.filter(({ at }) => at >= gone), last };
}

/** What one medicine by its label asks for: tests against its range, doses, and the day it comes out. */
function asksOf(history: TankHistory, { id, body }: Labels[number]): Ask[] {
  const { zone } = history.tank;
  const course = sinceOut(history, id, body);
  const first = course?.own.find(({ entry }) => entry.act === 'given');
  if (!course || !first) return [];
  const { own, last } = course;
  const opens = { quarantine: 'medicines', given: { tank: history.tankId } } as const;
  const day = (from: number, days: number) => addDaysIn(startOfDayIn(from, zone), days, zone);
  const out = own.some((one) => one.at >= last.at && one.entry.act === 'carbonIn');
  const { since, reads, readAt } = labelDays(body, own);
  const ends = since === null || body.days === undefined ? null : day(since, Math.ceil(body.days));
  const ask = (what: string, title: string, because: string, minutes: number, due: number) => ({
    ...{ id: `${what}/${history.tankId}/${id}`, title, because, minutes, opens, due },
  });
  const asks: Ask[] = [];
  if (body.target || out) {
    const because = out
      ? 'Carbon is in: gone is what a test of zero says'
      : `Checked against the range on its label, daily while it is in${kitWords(body)}`;
    const read = own.findLast(({ entry }) => entry.act === 'measured')?.at ?? first.at;
    const tested = Math.max(read, first.at);
    asks.push(ask('medicineTest', `Test ${body.name}`, because, 8, day(tested, 1)));
  }
  if (out) return asks;
  if (reads === 'above') {
    asks.push(
      ask(
        'medicineOver',
        `${body.name} reads above its label`,
        'An overdose: dilute it today with matched salt water, strong air, no binder and no dechlorinator, then test again',
        30,
        startOfDayIn(readAt ?? last.at, zone),
      ),
    );
  }
  if (reads === 'below') {
    asks.push(
      ask(
        'medicineUnder',
        `${body.name} reads below its label`,
        'Its days count from the test that is back within the range: bring it up by the label',
        15,
        startOfDayIn(readAt ?? last.at, zone),
      ),
    );
  }
  if (body.redoseDays !== undefined) {
    const due = day(last.at, Math.max(1, Math.floor(body.redoseDays)));
    if (ends === null || due < ends) {
      const because = `${countOf(body.redoseDays, 'day')} after the last dose by its label: read it once more`;
      asks.push(ask('medicineAgain', `${body.name}: its next dose by the label`, because, 15, due));
    }
  }
  if (ends !== null) {
    const because = `${countOf(body.days ?? 0, 'day')} ${body.target ? 'within the range' : 'since it was given'}: read the label once more, then out with carbon and changes`;
    asks.push(ask('medicineOut', `${body.name}: its days by the label end`, because, 30, ends));
  }
  return asks;
}

/** A medicine that went in without its label on record: nothing is asked of it but the label. */
function labelAsks(history: TankHistory, medicines: Labels): Ask[] {
  const { treatment } = history.entries;
  const known = new Set(medicines.map(({ body }) => body.name));
  const last = treatment.findLast(
    ({ at, entry: { agent, product } }) =>
      isMedicine(agent) &&
      !(product !== undefined && known.has(product)) &&
      !goneSince(history.entries, at, product),
  );
  if (!last || history.tank.kind !== 'quarantine') return [];
  return [
    {
      id: `medicineLabel/${history.tankId}/${last.id}`,
      title: `Copy the label of ${last.entry.product ?? 'the medicine'}`,
      because:
        'Without it nothing is dosed, dosed again or taken out from here; the daily check, ammonia and strong air go on',
      minutes: 5,
      opens: { quarantine: 'medicines', given: { tank: history.tankId } },
      due: last.at,
    },
  ];
}

/** What the medicines in a tank ask for, each by its label. */
export function medicineAsks(history: TankHistory, medicines: Labels, at: number): Ask[] {
  const here = new Set(presentIn(history, medicines, at));
  return [
    ...medicines.flatMap((one) =>
      here.has(one.body) && one.body.kind !== 'binder' ? asksOf(history, one) : [],
    ),
    ...labelAsks(history, medicines),
  ];
}
