import { latestReading, type TankHistory } from '../history/tankHistory';
import { PARAMETERS } from '../parameters/registry';
import type { Batch } from '../records/schema/batch';
import type { Medicine } from '../records/schema/medicine';
import type { Protocol } from '../records/schema/protocol';
import type { Ask } from '../tasks/types';
import { addDaysIn, instant, startOfDayIn } from '../time/zone';
import { countOf } from '../units/format';
import { presentIn } from './treated';
import type { AmmoniaPlan } from './water';

/** Days after a batch began in which ammonia is tested even where a filter clears it. */
const FIRST_DAYS = 7;

/** A batch, and what its tank and its protocol say of it. */
export interface AskedOf {
  id: string;
  batch: Batch;
  protocol: Pick<Protocol, 'name' | 'tests' | 'stages'>;
  /** Midnight since which its days are clear, ms; null while a sign stands. */
  clearSince: number | null;
  /** How its ammonia is held. */
  plan: Pick<AmmoniaPlan, 'everyDays' | 'litres' | 'nitrogen' | 'carried'>;
}

/** Where nothing clears ammonia and fish are in it, it is tested daily, whatever a protocol leaves out. */
function testsAsked({ batch, protocol }: AskedOf, history: TankHistory): Protocol['tests'] {
  const bare = batch.filter !== 'cycled' && history.standing.fishSince !== null;
  if (!bare) return protocol.tests;
  const others = protocol.tests.filter(({ parameter }) => parameter !== 'ammonia');
  return [{ parameter: 'ammonia', everyDays: 1 }, ...others];
}

/** The next test of each parameter that the protocol of a batch asks for. */
function testsOf(one: AskedOf, history: TankHistory): Ask[] {
  const { id, batch } = one;
  const { zone } = history.tank;
  const begun = startOfDayIn(instant(batch.begunAt), zone);
  const last = (parameter: Protocol['tests'][number]['parameter']) =>
    latestReading(history, parameter)?.at ?? -Infinity;
  return testsAsked(one, history).flatMap(({ parameter, everyDays }): Ask[] => {
    const read = last(parameter);
    const due = read < begun ? begun : addDaysIn(startOfDayIn(read, zone), everyDays, zone);
    if (
      parameter === 'ammonia' &&
      batch.filter === 'cycled' &&
      due > addDaysIn(begun, FIRST_DAYS, zone)
    ) {
      return [];
    }
    return [
      {
        id: `quarantineTest/${id}/${parameter}`,
        title: `Test ${PARAMETERS[parameter].inSentence}`,
        because:
          parameter === 'ammonia' && batch.filter !== 'cycled' && everyDays === 1
            ? 'Daily in quarantine: nothing there clears it by itself'
            : `By its protocol ${everyDays === 1 ? 'daily' : `every ${countOf(everyDays, 'day')}`}`,
        minutes: PARAMETERS[parameter].minutes,
        parameters: [parameter],
        opens: { form: 'reading' },
        due,
      },
    ];
  });
}

/** A stage that began longer ago was begun, or is overtaken, days. */
const BEGUN_DAYS = 6;

/** The stages of its protocol that begin yet, by its clear days: a move, a dip, a medicine taken out. */
function stagesOf({ id, protocol, clearSince }: AskedOf, history: TankHistory, at: number): Ask[] {
  if (clearSince === null) return [];
  const { zone } = history.tank;
  const today = startOfDayIn(at, zone);
  const dated = protocol.stages
    .map(({ name, fromDay, does }) => ({ name, does, due: addDaysIn(clearSince, fromDay, zone) }))
    .filter(({ due }) => due > clearSince && due > addDaysIn(today, -BEGUN_DAYS, zone));
  // Of those that have begun only the newest is still to be done.
  const newest = Math.max(...dated.flatMap(({ due }) => (due <= today ? due : [])));
  return dated
    .filter(({ due }) => due >= newest)
    .map(({ name, does, due }) => ({
      id: `stage/${id}/${name}`,
      title: name,
      because: `${protocol.name}: ${does[0] ?? 'its next stage'}`,
      minutes: 20,
      opens: { batch: id },
      due,
    }));
}

/** The next change that holds ammonia down: where nothing clears it, or a sponge not all of it. */
function changeOf({ id, batch, plan }: AskedOf, history: TankHistory): Ask[] {
  const { zone } = history.tank;
  const { filter = 'uncycled' } = batch;
  if (filter === 'cycled' || plan.nitrogen <= 0 || plan.litres <= 0) return [];
  // A sponge of which nobody noted the days is trusted to the daily test.
  if (filter === 'seeded' && plan.carried === 0) return [];
  const last = history.entries.waterChange.at(-1)?.at ?? -Infinity;
  const from = startOfDayIn(Math.max(last, instant(batch.begunAt)), zone);
  return [
    {
      id: `quarantineChange/${id}`,
      title: 'Change water in quarantine',
      because: `Ammonia is held by a change ${plan.everyDays === 1 ? 'a day' : `every ${countOf(plan.everyDays, 'day')}`}: how much stands with the batch`,
      minutes: 25,
      opens: { batch: id },
      due: addDaysIn(from, plan.everyDays, zone),
    },
  ];
}

/** Tests of a medicine against its label's range, and the day on which its label has it out again. */
function medicineAsks(
  history: TankHistory,
  medicines: readonly { id: string; body: Medicine }[],
  at: number,
): Ask[] {
  const { zone } = history.tank;
  const here = new Set(presentIn(history, medicines, at));
  return medicines.flatMap(({ id, body }): Ask[] => {
    if (!here.has(body) || body.kind === 'binder') return [];
    const own = history.entries.medication.filter(({ entry }) => entry.medicineId === id);
    const given = own.filter(({ entry }) => entry.act === 'given');
    // When it was last out, whatever of it was given before no longer counts.
    const outs = [
      ...own.filter(({ entry }) =>
        entry.act === 'measured'
          ? entry.value === 0
          : entry.act === 'carbonIn' && body.kind !== 'copper',
      ),
      ...history.entries.cleaning,
    ].map((one) => one.at);
    const last = given.at(-1);
    const gone = Math.max(...outs.filter((out) => last !== undefined && out <= last.at));
    const first = given.find((one) => one.at >= gone);
    if (!first || !last) return [];
    const opens = { quarantine: 'medicines', given: { tank: history.tankId } } as const;
    const asks: Ask[] = [];
    const out = own.some((one) => one.at >= last.at && one.entry.act === 'carbonIn');
    const read = own.findLast(({ entry }) => entry.act === 'measured')?.at ?? first.at;
    const tested = Math.max(read, first.at);
    if (body.target || out) {
      asks.push({
        id: `medicineTest/${history.tankId}/${id}`,
        title: `Test ${body.name}`,
        because: out
          ? 'Carbon is in: gone is what a test of zero says'
          : 'Held against the range on its label, daily while it is in',
        minutes: 8,
        opens,
        due: addDaysIn(startOfDayIn(tested, zone), 1, zone),
      });
    }
    if (body.days !== undefined && !out) {
      asks.push({
        id: `medicineOut/${history.tankId}/${id}`,
        title: `${body.name}: its days by the label end`,
        because: `${countOf(body.days, 'day')} since it was given: read the label once more, then out with carbon and changes`,
        minutes: 30,
        opens,
        due: addDaysIn(startOfDayIn(first.at, zone), Math.ceil(body.days), zone),
      });
    }
    return asks;
  });
}

/** What the batches and the medicines of a tank ask for next, each once. */
export function quarantineAsks(
  history: TankHistory,
  batches: readonly AskedOf[],
  medicines: readonly { id: string; body: Medicine }[],
  at: number,
): Ask[] {
  return [
    ...batches.flatMap((one) => [
      ...testsOf(one, history),
      ...stagesOf(one, history, at),
      ...changeOf(one, history),
    ]),
    ...medicineAsks(history, medicines, at),
  ];
}
