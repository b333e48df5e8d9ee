import { latestReading, type TankHistory } from '../history/tankHistory';
import { PARAMETERS } from '../parameters/registry';
import type { Batch } from '../records/schema/batch';
import type { Medicine } from '../records/schema/medicine';
import type { Protocol } from '../records/schema/protocol';
import type { Ask } from '../tasks/types';
import { freeAmmoniaNow } from '../meaning/fishIn';
import { SIGN_WORDS } from '../records/kinds/dailyCheck';
import { shortDay, timeWords } from '../time/words';
import { addDaysIn, HOUR_MS, instant, startOfDayIn } from '../time/zone';
import { countOf, formatPlain, listWords } from '../units/format';
import type { BatchClock, StandingSign } from './clock/clock';
import { FREE_MOST } from './clock/hold';
import { medicineAsks } from './medicine/medicineAsks';
import { otherSigns } from './transfer';
import { presentIn } from './medicine/treated';
import type { AmmoniaPlan } from './tank/water';

/** Days after a batch began in which ammonia is tested even where a filter clears it. */
const FIRST_DAYS = 7;

/** A batch, and what its tank and its protocol say of it. */
export interface AskedOf {
  id: string;
  batch: Batch;
  protocol: Pick<Protocol, 'name' | 'tests' | 'stages' | 'moves'>;
  /** Since when its days are clear, the signs that stand, and the moves of it. */
  clock: Pick<BatchClock, 'clearSince' | 'standing' | 'transfer' | 'held'>;
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

/** The stages of its protocol that begin yet, by its clear days: a dip, a treatment, a watch. */
function stagesOf(
  { id, protocol, clock }: AskedOf,
  history: TankHistory,
  labelled: boolean,
  at: number,
): Ask[] {
  const { clearSince, held } = clock;
  if (clearSince === null) return [];
  const { zone } = history.tank;
  const today = startOfDayIn(at, zone);
  const done = held?.done ?? null;
  const dueOf = ({ fromDay, afterHeld }: Protocol['stages'][number]): number[] => {
    if (!afterHeld) return [addDaysIn(clearSince, fromDay, zone)];
    return done === null ? [] : [startOfDayIn(done, zone)];
  };
  const dated = protocol.stages
    .filter(({ onSign }) => !onSign)
    .flatMap((stage) => dueOf(stage).map((due) => ({ ...stage, due })))
    .filter(({ due }) => due > clearSince && due > addDaysIn(today, -BEGUN_DAYS, zone));
  // Of those that have begun only the newest is still to be done.
  const newest = Math.max(...dated.flatMap(({ due }) => (due <= today ? due : [])));
  return dated
    .filter(({ due }) => due >= newest)
    .map(({ name, does, due, treats }): Ask => {
      const base = { id: `stage/${id}/${name}`, due };
      return treats && !labelled
        ? {
            ...base,
            title: 'Copy the label of the medicine first',
            because: `${protocol.name}: without a label nothing is dosed`,
            minutes: 5,
            opens: { quarantine: 'medicines', given: { tank: history.tankId } },
          }
        : {
            ...base,
            title: name,
            because: `${protocol.name}: ${does[0] ?? 'its next stage'}`,
            minutes: 20,
            opens: { batch: id },
          };
    });
}

const signWords = ({ what, signs }: Pick<StandingSign, 'what' | 'signs'>) =>
  `${what}: ${listWords(signs.map((sign) => SIGN_WORDS[sign].toLowerCase()))}`;

/** What is done on a sign, as soon as one stands, and never while all are well. */
function onSignOf({ id, protocol, clock }: AskedOf, history: TankHistory): Ask[] {
  const standing = clock.standing.filter(({ expected }) => !expected);
  const [first] = standing;
  if (!first) return [];
  const due = startOfDayIn(Math.min(...standing.map(({ since }) => since)), history.tank.zone);
  return protocol.stages
    .filter(({ onSign }) => onSign)
    .map(({ name, does }) => ({
      id: `stage/${id}/${name}`,
      title: name,
      because: `${signWords(first)}. ${does[0] ?? ''}`,
      minutes: 20,
      opens: { batch: id },
      due,
    }));
}

/** Hours before its time at which a move is asked for. */
const MOVE_AHEAD_HOURS = 6;

/** The next move to the other tank; and what is seen that moves do not answer. */
function movesOf({ id, clock, protocol }: AskedOf, history: TankHistory): Ask[] {
  const { transfer } = clock;
  if (!transfer) return [];
  const { zone } = history.tank;
  const asks: Ask[] = [];
  const other = clock.standing.find(({ signs }) => otherSigns(signs).length > 0);
  if (other) {
    asks.push({
      id: `otherDisease/${id}/${other.cohort}`,
      title: 'Decide on treatment today',
      because: `${signWords({ ...other, signs: otherSigns(other.signs) })}. Moves clear ich alone: go on moving, and ask a veterinarian today`,
      minutes: 30,
      opens: { batch: id },
      due: startOfDayIn(other.since, zone),
    });
  }
  const { next, count, anew } = transfer;
  if (!next) return asks;
  const by = `by ${shortDay(next.by, zone)}, ${timeWords(next.by, zone)}`;
  const because =
    next.number > 0
      ? `Within ${protocol.moves?.everyHours ?? 72} h of the last, ${by}, whatever is seen: a later one begins the moves anew`
      : anew === 'grains'
        ? 'Grains were seen after the last move: the moves begin anew with this one'
        : `It was due ${by}: the moves begin anew with this one`;
  asks.push({
    id: `move/${id}`,
    title:
      next.number === 0
        ? 'Move them to the other tank now'
        : next.number <= count
          ? `Move ${next.number} of ${count} to the other tank`
          : 'One more move to the other tank',
    because,
    minutes: 40,
    opens: { batch: id },
    due: next.number === 0 ? next.by : next.by - MOVE_AHEAD_HOURS * HOUR_MS,
  });
  return asks;
}

/** Between moves no change is due, since each renews all water; one is where free ammonia passes its limit. */
function changeBetweenMoves({ id }: AskedOf, history: TankHistory, at: number): Ask[] {
  const free = freeAmmoniaNow(history, at);
  if (!free || free.range.high <= FREE_MOST) return [];
  return [
    {
      id: `quarantineChange/${id}/free`,
      title: 'Change water in quarantine, or move them early',
      because: `Free ammonia may be ${formatPlain(free.range.high, 3)} mg/L, above ${FREE_MOST}: matched in temperature and salinity`,
      minutes: 25,
      opens: { batch: id },
      due: startOfDayIn(at, history.tank.zone),
    },
  ];
}

/** The next change that holds ammonia down: where nothing clears it, or a sponge not all of it. */
function changeOf(one: AskedOf, history: TankHistory, medicated: boolean, at: number): Ask[] {
  const { id, batch, plan, protocol } = one;
  const { zone } = history.tank;
  if (protocol.moves) return changeBetweenMoves(one, history, at);
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
      because: `Ammonia is kept down by a change ${plan.everyDays === 1 ? 'a day' : `every ${countOf(plan.everyDays, 'day')}`}: how much stands with the batch${medicated ? '; the new water is dosed to the same level before it goes in' : ''}`,
      minutes: 25,
      opens: { batch: id },
      due: addDaysIn(from, plan.everyDays, zone),
    },
  ];
}

/** What the batches and the medicines of a tank ask for next, each once. */
export function quarantineAsks(
  history: TankHistory,
  batches: readonly AskedOf[],
  medicines: readonly { id: string; body: Medicine }[],
  at: number,
): Ask[] {
  const medicated = presentIn(history, medicines, at).some(({ target }) => target);
  const labelled = medicines.some(({ body }) => body.kind !== 'binder');
  return [
    ...batches.flatMap((one) => [
      ...testsOf(one, history),
      ...stagesOf(one, history, labelled, at),
      ...onSignOf(one, history),
      ...movesOf(one, history),
      ...changeOf(one, history, medicated, at),
    ]),
    ...medicineAsks(history, medicines, at),
  ];
}
