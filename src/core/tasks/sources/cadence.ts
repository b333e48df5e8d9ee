import { latestReading, type TankHistory } from '../../history/tankHistory';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import { addDaysIn, daysBetween, startOfDayIn } from '../../time/zone';
import { countOf } from '../../units/format';
import { isGuided } from './guide';
import { occurrence } from '../occurrence';
import type { Occurrence, TaskSource, TaskWorld } from '../types';

/** Days between two tests of a cycle that is done and waits for its first fish. */
const CYCLED_EVERY = 7;
/** Days between two ammonia tests once it is clear and nitrite is not. */
const CLEAR_EVERY = 4;

/** What the forecast decides on while a tank cycles; the rest keeps its cadence. */
const BY_FORECAST: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];

/** What a bare quarantine tank is tested for: it has no cycle, and nothing in it uses up minerals. */
const IN_QUARANTINE: readonly ParameterId[] = ['ammonia', 'ph', 'salinity', 'temperature'];

/** Whether a parameter says anything of a tank: of a bare one few do, and nitrite where a seeded sponge works. */
function says(parameter: ParameterId, { tank, entries }: TankHistory): boolean {
  if (tank.kind !== 'quarantine') return true;
  const sponge = entries.sponge.at(-1)?.entry.move === 'working';
  return IN_QUARANTINE.includes(parameter) || (parameter === 'nitrite' && sponge);
}

/** Days between two tests of a parameter by what the tank is doing; null when it is not asked for. */
function interval(parameter: ParameterId, { history, verdict }: TaskWorld): number | null {
  const { standing } = history;
  const { everyDays } = PARAMETERS[parameter];
  if (standing.runningSince !== null) return everyDays.running;
  if (parameter === 'ammonia') {
    // Fish in a cycling tank are watched daily, whatever a forecast finds worth its reagent.
    if (standing.fishSince !== null) return 1;
    const clear = verdict.criteria.find((c) => c.id === 'ammoniaZero');
    const nitrite = verdict.criteria.find((c) => c.id === 'nitriteZero');
    if (!verdict.cycled && clear?.state === 'met' && nitrite?.state !== 'met') return CLEAR_EVERY;
  }
  if (verdict.cycled && (parameter === 'ammonia' || parameter === 'nitrite')) return CYCLED_EVERY;
  return everyDays.cycling;
}

/** Tests by a plain cadence: the next of each parameter, and those that would follow it. */
export const cadence: TaskSource = {
  occurrences: (world, from, until) => {
    const { history, owned } = world;

    // Nothing is tested in a tank that holds no water.
    if (history.start === null) return [];
    const guided = isGuided(world);
    // A forecast weighs the kits that have read; one that never has is asked for once beside it.
    const skipped = (id: ParameterId) =>
      guided &&
      BY_FORECAST.includes(id) &&
      (id === 'nitrate' || latestReading(history, id) !== undefined);
    // The protocol of a batch tests at its own pace.
    const elsewhere = new Set(world.asks?.flatMap(({ parameters = [] }) => parameters));
    const own = (id: ParameterId) =>
      owned.has(id) && says(id, history) && !skipped(id) && !elsewhere.has(id);
    return PARAMETER_IDS.filter(own).flatMap((id) => {
      const every = interval(id, world);
      return every === null ? [] : testsOf(id, every, world, from, until);
    });
  },
};

function testsOf(
  parameter: ParameterId,
  every: number,
  { history }: TaskWorld,
  from: number,
  until: number,
): Occurrence[] {
  const { zone } = history.tank;
  const last = latestReading(history, parameter);
  const today = startOfDayIn(from, zone);
  const age = last ? daysBetween(last.at, from, zone) : null;
  const first = last ? addDaysIn(startOfDayIn(last.at, zone), every, zone) : today;
  const list: Occurrence[] = [];
  // The next is named however far it lies; those after it within the time that is asked about.
  for (let due = first; list.length === 0 || due < until;) {
    list.push(
      occurrence(
        {
          id: `test-${parameter}`,
          title: `Test ${PARAMETERS[parameter].inSentence}`,
          because:
            age === null
              ? 'Not tested yet'
              : `Last tested ${age === 0 ? 'today' : `${countOf(age, 'day')} ago`}; every ${countOf(every, 'day')}`,
          minutes: PARAMETERS[parameter].minutes,
          parameters: [parameter],
          opens: { form: 'reading' },
        },
        due,
        zone,
        from,
      ),
    );
    due = addDaysIn(Math.max(due, today), every, zone);
  }
  return list;
}
