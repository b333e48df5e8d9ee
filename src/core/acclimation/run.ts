import type { Run } from '../records/schema/run';
import { instant, MINUTE_MS } from '../time/zone';
import type { Drip } from './bucket';
import { liveDrip, type Counted, type LiveDrip, type Measured } from './live';
import { floatMinutesOf, type AcclimationPlan } from './plan';
import { USUAL_ROOM, type Arrival, type WaterClass } from './waters';

/** Who comes in, of a new arrival. */
export interface Newcomer {
  species: string;
  what: string;
  group: 'fish' | 'invertebrate' | 'coral';
  count: number;
}

/** What a run of acclimation is begun with. */
export function givenOf(
  arrival: Arrival,
  plan: AcclimationPlan,
  who: {
    batch?: string;
    newcomers: readonly Newcomer[];
    dipMinutes?: number;
    /** They are poured in with their water. */
    pods?: boolean;
  },
): Run['given'] {
  const { bag, tank, litres, animal, room = USUAL_ROOM } = arrival;
  const given: Run['given'] = {
    method: plan.method,
    animal,
    bagSalinity: bag.salinity,
    bagTemperature: bag.temperature,
    tankSalinity: tank.salinity,
    tankTemperature: tank.temperature,
    litres,
    room,
    minutes: plan.drip ? plan.minutes : 0,
    mlPerMinute: plan.mlPerMinute,
    floatMinutes: plan.drip ? floatMinutesOf(arrival) : plan.minutes,
    litresDrawn: plan.litresDrawn,
    daysToMatch: plan.daysToMatch,
  };
  if (who.batch !== undefined) given.batch = who.batch;
  if (who.dipMinutes !== undefined) given.dipMinutes = who.dipMinutes;
  if (who.pods) given.pods = 'yes';
  who.newcomers.forEach(({ species, what, group, count }, n) => {
    given[`species/${n}`] = species;
    given[`what/${n}`] = what;
    given[`group/${n}`] = group;
    given[`count/${n}`] = count;
  });
  return given;
}

/** Who comes in with a run. */
export function newcomersOf({ given }: Run): Newcomer[] {
  const found: Newcomer[] = [];
  for (let n = 0; given[`species/${n}`] !== undefined; n += 1) {
    found.push({
      species: String(given[`species/${n}`]),
      what: String(given[`what/${n}`] ?? ''),
      group: (given[`group/${n}`] ?? 'fish') as Newcomer['group'],
      count: Number(given[`count/${n}`] ?? 1),
    });
  }
  return found;
}

/** From so many on a clean-up crew is counted through, shell by shell. */
export const COUNTED_FROM = 5;

/** Whether newcomers are counted through. */
export const isCounted = ({ group, count }: Newcomer): boolean =>
  group === 'invertebrate' && count >= COUNTED_FROM;

/** Who comes in with a run, without those of its clean-up crews that were set aside. */
export function broughtIn(run: Run): Newcomer[] {
  let aside = Number(run.given.aside ?? 0);
  return newcomersOf(run).map((newcomer) => {
    if (!isCounted(newcomer)) return newcomer;
    const out = Math.min(aside, newcomer.count);
    aside -= out;
    return { ...newcomer, count: newcomer.count - out };
  });
}

const number = ({ given }: Run, name: string) => Number(given[name] ?? 0);

/** The drip that a run was begun with. */
export function dripOfRun(run: Run): Drip {
  const litres = number(run, 'litres');
  return {
    bag: { salinity: number(run, 'bagSalinity'), temperature: number(run, 'bagTemperature') },
    tank: { salinity: number(run, 'tankSalinity'), temperature: number(run, 'tankTemperature') },
    room: number(run, 'room'),
    litres,
    mlPerMinute: number(run, 'mlPerMinute'),
    pourAt: 2 * litres,
  };
}

/** A run with something measured in its bucket, at an instant. */
export function withMeasured(run: Run, at: number, salinity: number, temperature?: number): Run {
  return {
    ...run,
    given: {
      ...run.given,
      [`salinity@${at}`]: salinity,
      ...(temperature === undefined ? {} : { [`temperature@${at}`]: temperature }),
    },
  };
}

/** A run with the drops of its drip counted, at an instant. */
export function withCounted(run: Run, at: number, mlPerMinute: number): Run {
  return { ...run, given: { ...run.given, [`rate@${at}`]: Math.round(mlPerMinute * 10) / 10 } };
}

/** When the drip of a run began, ms; null before. */
export function dripBegan(run: Run): number | null {
  const begun = run.given.dripBegan;
  return typeof begun === 'string' ? instant(begun) : null;
}

/** What a run was given under a name at instants: the minutes after the drip began, and the values. */
function givenAt({ given }: Run, what: string, began: number) {
  return Object.entries(given).flatMap(([name, value]) => {
    const [own, at] = name.split('@');
    if (own !== what || at === undefined || typeof value !== 'number') return [];
    return [{ at, minute: (Number(at) - began) / MINUTE_MS, value }];
  });
}

function measuredIn(run: Run, began: number): Measured[] {
  return givenAt(run, 'salinity', began).map(({ at, minute, value }) => {
    const temperature = run.given[`temperature@${at}`];
    return {
      minute,
      salinity: value,
      ...(typeof temperature === 'number' ? { temperature } : {}),
    };
  });
}

const countedIn = (run: Run, began: number): Counted[] =>
  givenAt(run, 'rate', began).map(({ minute, value }) => ({ minute, mlPerMinute: value }));

/** Whether nobody measured or counted in the first half of a drip: what stopped by itself shows only then. */
export function isUnseen(run: Run, at: number): boolean {
  const began = dripBegan(run);
  if (began === null || at - began < (number(run, 'minutes') * MINUTE_MS) / 2) return false;
  return measuredIn(run, began).length + countedIn(run, began).length === 0;
}

/** How long a drip is followed, min. */
const LONGEST_MINUTES = 24 * 60;

/** Where the drip of a run stands at a moment, by instants, so that a reload or sleep does no harm; null before it began. */
export function liveRunDrip(run: Run, at: number): LiveDrip | null {
  const began = dripBegan(run);
  if (began === null) return null;
  return liveDrip(
    dripOfRun(run),
    number(run, 'minutes'),
    String(run.given.animal ?? 'fish') as WaterClass,
    measuredIn(run, began),
    // Nobody drips for longer, and a run that was forgotten is not followed for ever.
    Math.min(LONGEST_MINUTES, Math.max(0, (at - began) / MINUTE_MS)),
    countedIn(run, began),
  );
}

/**
 * A run whose clock goes by how fast its drip really runs, at a moment: it ends once as much has been
 * drawn as was planned, and not before the waters are near enough.
 */
export function retimed(run: Run, at: number): Run {
  const live = liveRunDrip(run, at);
  if (!live) return run;
  const rate = live.factor * number(run, 'mlPerMinute');
  const undrawn = Math.max(0, number(run, 'litresDrawn') - live.drawn);
  const left = Math.min(
    LONGEST_MINUTES,
    Math.max(live.minutesLeft ?? LONGEST_MINUTES, (undrawn * 1000) / rate),
  );
  const drawn = Math.round((live.drawn + (left * rate) / 1000) * 100) / 100;
  const ends = new Date(at + left * MINUTE_MS).toISOString();
  return {
    ...run,
    given: { ...run.given, drawn },
    clocks: { ...run.clocks, drip: ends },
  };
}
