import type { Reading } from '../../history/reading';
import { latestReading, type TankHistory } from '../../history/tankHistory';
import { waterNow } from '../../history/waterNow';
import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import { FREE_AMMONIA_LEVELS } from '../../seawater/ammonia';
import type { Run } from '../../records/schema/run';
import { USUAL_WATER } from '../../seawater/usual';
import { HOUR_MS, instant } from '../../time/zone';
import { countOf, formatPlain, listWords } from '../../units/format';
import { chosen } from '../procedure';
import { hasFishAlone, ownSalinity, salinityBack, type Swing } from './salinity';
import { ammoniaChange, cooling, MOST_AT_ONCE } from './sums';
import type { Interval } from '../../math/interval';

/** A test older than this, when an emergency began, says nothing of the water in it, hours. */
const FRESH_HOURS = 24;

/**
 * The moment that the sums of a run are for: the newest test made since it began, or its beginning.
 * What was read weeks before is no figure to act on.
 */
function momentOf({ begunAt }: Run, { readings }: TankHistory): number {
  const latest = Object.values(readings).map((list) => list.at(-1)?.at ?? 0);
  return Math.max(instant(begunAt), ...latest);
}

/** The newest reading of a parameter, where it is fresh enough to act on. */
function freshReading(run: Run, history: TankHistory, parameter: ParameterId): Reading | undefined {
  const last = latestReading(history, parameter);
  if (!last || momentOf(run, history) - last.at > FRESH_HOURS * HOUR_MS) return undefined;
  return last;
}

const both = (celsius: number) =>
  `${formatPlain(celsius, 1)} °C (${formatPlain(celsius * 1.8 + 32, 0)} °F)`;

function rangeWords({ low, high }: Interval, unit: string, digits: number): string {
  const [a, b] = [formatPlain(low, digits), formatPlain(high, digits)];
  return a === b ? `${a} ${unit}` : `${a} to ${b} ${unit}`;
}

/** Whether a card has no step above what was read. */
function endsCard({ entry }: Reading): boolean {
  const { value } = entry;
  return value.form === 'card' && value.high === value.steps.length - 1;
}

/** How much water brings free ammonia down, for this tank; what is done without a test where there is none. */
export function changeWords(run: Run, history: TankHistory | null): string {
  const usual =
    'Without a test of today: half of the water, matched in temperature and salinity, then test, and change again until free ammonia is under 0.02 mg/L.';
  if (!history) return usual;
  const last = freshReading(run, history, 'ammonia');
  if (!last) return usual;
  const water = waterNow(history, momentOf(run, history));
  const change = ammoniaChange(last.best, water, history.netLitres);
  const free = (value: number) => formatPlain(value, 3);
  const assumed =
    water.assumed.length > 0
      ? ` Taken as usual, since not tested lately: ${listWords(water.assumed.map((id) => PARAMETERS[id].inSentence))}.`
      : '';
  if (change.share === 0) {
    return `At pH ${formatPlain(water.ph, 1)} free ammonia is about ${free(change.now)} mg/L, under ${FREE_AMMONIA_LEVELS.comfortable}: no change is needed for it.${assumed}`;
  }
  const bigger = change.share > MOST_AT_ONCE;
  const first = bigger ? MOST_AT_ONCE * history.netLitres : change.litres;
  return [
    `Change **${formatPlain(Math.ceil(first), 0)} L** now, ${formatPlain((first / history.netLitres) * 100, 0)} % of the water, matched in temperature and salinity.`,
    bigger
      ? `It takes about ${change.rounds} such changes within the day to come under ${FREE_AMMONIA_LEVELS.comfortable} mg/L: test an hour after each, and change at most half at a time.`
      : `Free ammonia falls from about ${free(change.now)} to ${free(change.after)} mg/L, at the pH of ${formatPlain(change.phAfter, 1)} that the new water brings.`,
    endsCard(last)
      ? 'The card ends at what was read: it may be more, so dilute a sample and test that.'
      : '',
    assumed,
  ]
    .filter(Boolean)
    .join(' ')
    .trim();
}

/** Under this most reef animals suffer, °C. */
const LEAST_WARM = 20;

/** How fast this tank takes on the temperature of its room. @param room °C */
export function coolingWords(
  run: Run,
  history: TankHistory | null,
  room: number | undefined,
): string {
  if (!history || room === undefined) {
    return 'Large tanks cool by some tenths of a degree an hour, small ones by one or two.';
  }
  const measured = freshReading(run, history, 'temperature');
  const temperature = measured?.best ?? USUAL_WATER.temperature;
  const found = cooling(history, temperature, room);
  if (temperature - room < 0.5) {
    return `The room is as warm as the tank, ${both(room)}: it does not cool down.`;
  }
  const until = temperature > LEAST_WARM ? found.hoursTo(LEAST_WARM) : null;
  return [
    `From ${both(temperature)} in a room of ${both(room)}: about ${rangeWords(found.perHour, '°C', 1)} in the first hour, less after that.`,
    until
      ? `It reaches ${both(LEAST_WARM)} after some ${rangeWords(until, 'hours', 0)}; an open top cools faster.`
      : '',
    room >= LEAST_WARM ? `It does not fall under ${both(room)}.` : '',
    measured ? '' : 'The tank’s own temperature was not tested today: the usual is taken.',
  ]
    .filter(Boolean)
    .join(' ');
}

/** The salinity that a reef is brought back to where its own is not known, ppt. */
const USUAL_SALINITY = 35;

/** How salinity is brought back in this tank. */
export function salinityWords(run: Run, history: TankHistory | null): string {
  const last = history ? freshReading(run, history, 'salinity') : undefined;
  if (!history || !last) {
    return 'By 1 ppt a day either way, with fish alone down by 2; one that came within a day back by half a ppt an hour and 3 in the first day. Test first, with a second instrument if there is one.';
  }
  const own = ownSalinity(history, momentOf(run, history));
  const goal = own ?? USUAL_SALINITY;
  const swing = (chosen(run, 'when') ?? 'unknown') as Swing;
  const back = salinityBack(last.best, goal, history.netLitres, {
    swing,
    fishAlone: hasFishAlone(history),
  });
  const now = formatPlain(last.best, 1);
  const goes = formatPlain(goal, 1);
  const known =
    own === null
      ? `Its own salinity is not known: ${goes} is taken.`
      : `This tank's own is ${goes}, by its readings before.`;
  if (back.direction === 'right') return `It reads ${now} ppt. ${known} That is where it belongs.`;
  const down = back.direction === 'down';
  const filler = down ? 'fresh water' : `water mixed ${formatPlain(goal + 5, 1)} ppt`;
  const { firstDay, litresADay, days } = back;
  const litres = (value: number) => `**${formatPlain(value, 1)} L**`;
  const first =
    swing === 'recent'
      ? `It came within a day, so it goes back by half a ppt an hour: today ${formatPlain(firstDay.ppt, 1)} ppt over ${countOf(firstDay.hours, 'hour')}, ${litres(firstDay.litres)} of tank water out and ${filler} in, a little each hour.`
      : `Today ${formatPlain(firstDay.ppt, 1)} ppt: ${litres(firstDay.litres)} of tank water out and ${filler} in, spread over the day.`;
  const then =
    days > 1 ? ` Then ${litres(litresADay)} each day, ${countOf(days - 1, 'day')} more.` : '';
  const unknown =
    swing === 'unknown'
      ? ' When it changed is not known, so it is taken as slow: 1 ppt a day.'
      : '';
  return `It reads ${now} ppt. ${known} ${first}${then}${unknown}${down ? '' : ' Never dry salt.'}`;
}
