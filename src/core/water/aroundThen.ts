import { allEvents, type LoggedEvent } from '../history/events';
import { countedReadings, everyEntry, type TankHistory } from '../history/tankHistory';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { entryTouches, type Entry } from '../records/kinds';
import type { Touch } from '../records/kinds/kind';
import { DAY_MS } from '../time/zone';

/** Something that was done or seen near a moment, and how well it would explain a change. */
export interface Suspect extends LoggedEvent {
  /** Days before the moment; negative after it. */
  daysBefore: number;
  /** 0 to 1: how plainly it moves the parameter, and how near it lies. */
  weight: number;
  /** Why it is listed. */
  because: string;
}

/** Days before and after a moment that are looked at, and over which nearness fades. */
const BEFORE = 12;
const AFTER = 1;
const FADES = 4;
/** What is too far off or too unlikely to be listed. */
const LEAST = 0.04;

/** What moves a parameter without being about it, and how plainly. */
const SIDEWAYS: readonly {
  touch: Touch;
  moves: readonly ParameterId[];
  plainly: number;
  why: string;
}[] = [
  {
    touch: 'livestock',
    moves: ['ammonia', 'nitrite', 'nitrate', 'phosphate', 'alkalinity', 'calcium'],
    plainly: 0.6,
    why: 'what lives in it feeds, and builds',
  },
  {
    touch: 'equipment',
    moves: ['temperature', 'ph', 'salinity'],
    plainly: 0.5,
    why: 'equipment moves temperature, air and level',
  },
  {
    touch: 'growth',
    moves: ['nitrate', 'phosphate', 'ph'],
    plainly: 0.4,
    why: 'what grows takes nutrients up',
  },
  {
    touch: 'salinity',
    moves: ['alkalinity', 'calcium', 'magnesium'],
    plainly: 0.5,
    why: 'minerals go with the salinity',
  },
];

const KIND_MOVES: Partial<Record<Entry['kind'], readonly ParameterId[]>> = {
  feed: ['ammonia', 'nitrite', 'nitrate', 'phosphate'],
  media: ['ammonia', 'nitrite', 'nitrate', 'phosphate', 'ph', 'alkalinity'],
  light: ['ph', 'temperature', 'nitrate', 'alkalinity'],
  treatment: ['ammonia', 'nitrite', 'ph'],
  saltMix: ['salinity'],
};

const CALIBRATED: readonly ParameterId[] = ['salinity', 'ph', 'temperature'];
const ANEW = 'an instrument was set then: the reading may have moved, not the water';

function plausibility(
  entry: Entry,
  parameter: ParameterId,
): { plainly: number; why: string } | null {
  if (entry.kind === 'reading' || entry.kind === 'taskMark') return null;
  if (entry.kind === 'calibration') {
    return CALIBRATED.includes(parameter) ? { plainly: 0.8, why: ANEW } : null;
  }
  const touches = entryTouches(entry);
  if (touches.includes(parameter)) {
    return { plainly: 1, why: `it moves ${PARAMETERS[parameter].inSentence} itself` };
  }
  if (KIND_MOVES[entry.kind]?.includes(parameter)) {
    return { plainly: 0.7, why: `it can move ${PARAMETERS[parameter].inSentence}` };
  }
  const side = SIDEWAYS.find(
    ({ touch, moves }) => touches.includes(touch) && moves.includes(parameter),
  );
  if (side) return { plainly: side.plainly, why: side.why };
  return entry.kind === 'note' || entry.kind === 'observation'
    ? { plainly: 0.3, why: 'noted then' }
    : null;
}

/** What was done or seen around a moment that may have moved a parameter, the likeliest first. */
export function aroundThen(
  history: TankHistory,
  parameter: ParameterId,
  at: number,
  most = 6,
): Suspect[] {
  const lines = new Map(allEvents(history).map((event) => [event.id, event]));
  return everyEntry(history)
    .flatMap((logged): Suspect[] => {
      const line = lines.get(logged.id);
      const daysBefore = (at - logged.at) / DAY_MS;
      const likely = plausibility(logged.entry, parameter);
      if (!line || !likely || daysBefore > BEFORE || daysBefore < -AFTER) return [];
      const weight = likely.plainly * Math.exp(-Math.abs(daysBefore) / FADES);
      return weight < LEAST ? [] : [{ ...line, daysBefore, weight, because: likely.why }];
    })
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most);
}

/**
 * The moment at which a parameter moved most between two readings, of those within some days: there
 * one asks what changed. Null where nothing moved by more than its smallest meaningful change.
 */
export function largestMove(
  history: TankHistory,
  parameter: ParameterId,
  now: number,
  days = 45,
): { at: number; from: number; to: number } | null {
  const readings = countedReadings(history, parameter).filter(
    (reading) => reading.at > now - days * DAY_MS && reading.at <= now,
  );
  let best: { at: number; from: number; to: number } | null = null;
  for (let i = 1; i < readings.length; i += 1) {
    const [before, after] = [readings[i - 1], readings[i]];
    if (!before || !after) continue;
    const size = Math.abs(after.best - before.best);
    if (size <= PARAMETERS[parameter].steady) continue;
    if (!best || size > Math.abs(best.to - best.from)) {
      best = { at: after.at, from: before.best, to: after.best };
    }
  }
  return best;
}
