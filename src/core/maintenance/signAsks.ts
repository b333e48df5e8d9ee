import type { TankHistory } from '../history/tankHistory';
import { calibrateEvery } from '../instruments/calibrateEvery';
import { supplyOf } from '../instruments/supply';
import type { Log } from '../records/log';
import type { RevisionOf } from '../records/schema/revision';
import type { Ask } from '../tasks/types';
import { addDaysIn, DAY_MS, dayOf, instant, startOfDayIn } from '../time/zone';
import { countOf, formatPlain } from '../units/format';
import { stabilityOf } from '../water/stability';
import { stagesDue } from '../water/stages';

/** Tests left in a pack at which the next is ordered, and days that an order takes. */
const FEW_TESTS = 5;
const ORDER_DAYS = 14;
/** Salinity that moves by this much in two weeks is asked about, ppt. */
const DRIFT_PPT = 0.7;
/** Days a new skimmer needs until its foam says anything, and for which one is reminded of it. */
const BREAK_IN_DAYS = 10;
const REMINDED_DAYS = 30;

type Kits = Pick<Log, 'kits' | 'calibrations'>;

/** Instruments whose standard is due, and packs that run out. They belong to all tanks alike. */
export function instrumentAsks(
  log: Kits,
  histories: readonly TankHistory[],
  zone: string,
  at: number,
): Ask[] {
  return log.kits
    .filter(({ body }) => body.inUse)
    .flatMap(({ id, body }) => [
      ...calibrationAsk(log, id, body, zone, at),
      ...supplyAsk(id, body, histories, zone, at),
    ]);
}

type Kit = RevisionOf<'kit'>['body'];

function calibrationAsk(log: Kits, id: string, kit: Kit, zone: string, at: number): Ask[] {
  const every = calibrateEvery(kit);
  const last = log.calibrations[id]?.findLast((one) => instant(one.at) <= at);
  if (every === null || !last) return [];
  const due = addDaysIn(startOfDayIn(instant(last.at), zone), every, zone);
  return [
    {
      id: `calibrate/${id}`,
      title: `Calibrate: ${kit.name}`,
      because: `Every ${countOf(every, 'day')}: what it reads is trusted less from day to day`,
      minutes: 10,
      due,
      opens: { run: 'calibrate' },
    },
  ];
}

function supplyAsk(
  id: string,
  kit: Kit,
  histories: readonly TankHistory[],
  zone: string,
  at: number,
): Ask[] {
  if (!kit.pack) return [];
  const times = histories
    .flatMap(({ entries }) => entries.reading.filter(({ entry }) => entry.kitId === id))
    .map(({ at: made }) => made)
    .sort((a, b) => a - b);
  const supply = supplyOf(kit, times, at, zone);
  if (!supply) return [];
  const ends = supply.until !== null && supply.until - at < ORDER_DAYS * DAY_MS;
  if (supply.left > FEW_TESTS && !ends) return [];
  return [
    {
      id: `supply/${id}`,
      key: `supply/${id}/${kit.pack.since}`,
      title: `Order reagents: ${kit.name}`,
      because:
        supply.left > FEW_TESTS && supply.byDate
          ? 'Past its printed date within two weeks'
          : `About ${countOf(supply.left, 'test')} left in its pack`,
      minutes: 5,
      due: at,
      opens: { form: 'note' },
      tick: true,
    },
  ];
}

/** What a tank's own figures ask for: a stage that lets solids through, salinity that drifts. */
export function signAsks(
  history: TankHistory,
  runs: readonly RevisionOf<'run'>[],
  at: number,
): Ask[] {
  return [...stageAsks(history, at), ...driftAsk(history, at), ...breakInAsk(history, runs, at)];
}

function stageAsks({ entries, tank }: TankHistory, at: number): Ask[] {
  const measured = entries.purified.findLast(({ entry }) => entry.tds !== undefined);
  if (!measured) return [];
  return stagesDue(measured.entry.tds ?? {}).map(({ stage, why }, place) => ({
    id: `stage/${place}`,
    key: `stage/${measured.id}/${place}`,
    title: `Renew: ${stage.toLowerCase().replace(/^the /, '')}`,
    because: why.split('. ')[0] ?? why,
    minutes: 15,
    due: Math.min(at, startOfDayIn(measured.at, tank.zone)),
    opens: { form: 'note' },
    tick: true,
  }));
}

function driftAsk(history: TankHistory, at: number): Ask[] {
  const { zone } = history.tank;
  const held = stabilityOf(history.readings.salinity, at);
  if (!held) return [];
  const { low, high } = held.slopeRange;
  const sure = low > 0 || high < 0;
  if (!sure || Math.abs(held.slope) * 14 < DRIFT_PPT) return [];
  const rises = held.slope > 0;
  return [
    {
      id: 'drift/salinity',
      key: `drift/salinity/${dayOf(at, zone).slice(0, 7)}`,
      title: `Find out why salinity ${rises ? 'rises' : 'falls'}`,
      because: `By about ${formatPlain(Math.abs(held.slope) * 7, 1)} ppt a week: ${
        rises
          ? 'top-off that lags, salt water as top-off, or a meter that has moved'
          : 'a top-off unit that overfills, salt that creeps away, changes mixed too thin'
      }`,
      minutes: 10,
      due: at,
      opens: { form: 'reading' },
      tick: true,
    },
  ];
}

function breakInAsk(
  { tankId, tank }: TankHistory,
  runs: readonly RevisionOf<'run'>[],
  at: number,
): Ask[] {
  return runs.flatMap(({ id, body }) => {
    const set =
      body.procedure === 'build' && body.tankId === tankId ? body.steps.skimmer : undefined;
    if (!set) return [];
    const due = addDaysIn(startOfDayIn(instant(set.at), tank.zone), BREAK_IN_DAYS, tank.zone);
    if (at < due || at - due > REMINDED_DAYS * DAY_MS) return [];
    return [
      {
        id: `breakIn/${id}`,
        key: `breakIn/${id}`,
        title: 'Set the skimmer’s level',
        because: `Its break-in of some ${BREAK_IN_DAYS} days is over: the foam now says something`,
        minutes: 10,
        due,
        opens: { form: 'note' } as const,
        tick: true as const,
      },
    ];
  });
}
