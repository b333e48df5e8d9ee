import type { TankHistory } from '../history/tankHistory';
import type { Place } from '../opens';
import type { ParameterId } from '../parameters/registry';
import type { EntryKind } from '../records/kinds';
import type { ChoreRule } from '../records/schema/chore';
import type { CAUTIONS } from '../cautions';

/** What a tank is doing, as its chores see it. */
export type Phase = 'idle' | 'cycling' | 'running';

/** What becomes of a chore while its keeper is away. */
export type WhenAway = 'minder' | 'before' | 'after';

/** A chore that most tanks have. */
export interface Usual {
  id: string;
  name: string;
  /** Why it is worth its time. */
  why: string;
  minutes: (history: TankHistory) => number;
  /** New salt water it takes, L. */
  litres?: (history: TankHistory) => number;
  rule: (history: TankHistory) => ChoreRule;
  phases: readonly Phase[];
  /** Whether a tank has it at all; every tank without. */
  has?: (history: TankHistory) => boolean;
  /** Kinds of entry that say it was done. */
  logged?: readonly EntryKind[];
  /** A test of it says as well that it was done. */
  tested?: ParameterId;
  /** Where it is done; without one, it is done by saying so. */
  opens?: Place;
  caution?: keyof typeof CAUTIONS;
  away: WhenAway;
}

/** Net water under which a tank swings fast, L. */
export const SMALL_LITRES = 100;

const days = (every: number) => (): ChoreRule => ({ by: 'days', every });
const minutes = (much: number) => () => much;
const hasSump = ({ tank }: TankHistory) => tank.volume.sump !== null;
const makesWater = ({ entries }: TankHistory) => entries.purified.length > 0;
const isSmall = ({ netLitres }: TankHistory) => netLitres < SMALL_LITRES;

/** Whether a monitor measures it: nights become readings with their spread. */
const isMonitored = ({ entries }: TankHistory) =>
  entries.alarm.length > 0 || (entries.reading.at(-1)?.entry.spread?.minutes ?? 0) >= 60;

/** Share of the net water that a usual change renews. */
const CHANGE_SHARE = 0.1;

/** Two days of every week, from a Wednesday on. */
const twiceWeekly = (): ChoreRule => ({
  by: 'calendar',
  unit: 'week',
  every: 1,
  weekdays: [2, 5],
  start: '2026-01-07',
});

/**
 * The chores of the hobby's general practice: daily, twice weekly, fortnightly, monthly, yearly. Small
 * tanks get smaller and more frequent changes. All of it is a beginning, which the keeper edits.
 */
export const USUAL: readonly Usual[] = [
  {
    id: 'round',
    name: 'Daily round',
    why: 'Who is there, who hides, temperature, water level, food: what goes wrong shows here first.',
    minutes: ({ standing }) => (standing.animalsSince === null ? 2 : 5),
    rule: days(1),
    phases: ['cycling', 'running'],
    away: 'minder',
  },
  {
    id: 'salinity',
    name: 'Read the salinity',
    why: 'A small tank evaporates a large share of its water: what a big one does in a week it does in a day.',
    minutes: minutes(2),
    rule: days(1),
    phases: ['running'],
    has: isSmall,
    tested: 'salinity',
    away: 'minder',
  },
  {
    id: 'reservoir',
    name: 'Fill the top-off reservoir',
    why: 'An empty one lets salinity climb and runs its pump dry. Purified water alone, and no more than the tank could take if all of it ran in.',
    minutes: minutes(5),
    rule: (history) => ({ by: 'days', every: isSmall(history) ? 4 : 7 }),
    phases: ['running'],
    logged: ['topOff'],
    away: 'before',
  },
  {
    id: 'glass',
    name: 'Clean the glass',
    why: 'A film of two days wipes off; one of two weeks is scraped.',
    minutes: ({ netLitres }) => Math.round(Math.min(20, 4 + netLitres / 50)),
    rule: twiceWeekly,
    phases: ['running'],
    away: 'after',
  },
  {
    id: 'skimmer',
    name: 'Empty the skimmer’s cup',
    why: 'A full cup runs back into the tank, and a dirty neck stops the foam.',
    minutes: minutes(5),
    rule: twiceWeekly,
    phases: ['running'],
    has: hasSump,
    caution: 'electricity',
    away: 'before',
  },
  {
    id: 'socks',
    name: 'Change the socks',
    why: 'What they hold rots in them, and a full one runs over.',
    minutes: minutes(5),
    rule: days(4),
    phases: ['running'],
    has: hasSump,
    away: 'before',
  },
  {
    id: 'hangOn',
    name: 'Clean the floss and the skimmer’s cup',
    why: 'Of a filter or skimmer that hangs on the tank or stands beside it: what floss holds rots in it, and a full cup runs back. Rinse sponges in tank water, never under the tap.',
    minutes: minutes(8),
    rule: days(4),
    phases: ['running'],
    has: (history) => !hasSump(history),
    caution: 'electricity',
    away: 'before',
  },
  {
    id: 'waterChange',
    name: 'Change water',
    why: 'Takes out what gathers and puts back what is used; small and often shocks least.',
    minutes: ({ netLitres }) => Math.round(Math.min(120, 20 + netLitres * CHANGE_SHARE * 0.7)),
    litres: ({ netLitres }) => Math.max(1, Math.round(netLitres * CHANGE_SHARE)),
    rule: (history) => ({ by: 'days', every: isSmall(history) ? 7 : 14 }),
    phases: ['running'],
    logged: ['waterChange'],
    opens: { run: 'waterChange' },
    caution: 'electricity',
    away: 'before',
  },
  {
    id: 'carbon',
    name: 'Renew the carbon',
    why: 'Spent within weeks; rinsed first, since its dust settles on gills and polyps.',
    minutes: minutes(10),
    rule: days(14),
    phases: ['running'],
    away: 'after',
  },
  {
    id: 'heater',
    name: 'Check the heater against a thermometer',
    why: 'Heaters fail stuck on as well as off; a dial that has moved warns of it.',
    minutes: minutes(5),
    rule: days(30),
    phases: ['running'],
    logged: ['heaterCheck'],
    opens: { form: 'heaterCheck' },
    away: 'before',
  },
  {
    id: 'alarmTest',
    name: 'Test the monitor’s alarm',
    why: 'Wet the leak sensor, or lift a probe: an alarm that nobody has heard this month is only hoped for. It has to ring on the phone that lies beside the bed.',
    minutes: minutes(5),
    rule: days(30),
    phases: ['cycling', 'running'],
    has: isMonitored,
    away: 'before',
  },
  {
    id: 'outlet',
    name: 'Press the test button of the protected outlet',
    why: 'It has to trip at once. One that does not is for an electrician, before a hand goes in.',
    minutes: minutes(2),
    rule: days(30),
    phases: ['cycling', 'running'],
    caution: 'electricity',
    away: 'before',
  },
  {
    id: 'solids',
    name: 'Check TDS of the purified water',
    why: 'Resin is spent by what it took up, not by its age.',
    minutes: minutes(5),
    rule: days(30),
    phases: ['cycling', 'running'],
    has: makesWater,
    logged: ['purified'],
    opens: { form: 'purified' },
    caution: 'purified',
    away: 'after',
  },
  {
    id: 'flush',
    name: 'Flush the membrane',
    why: 'What it held back clogs it where it stands.',
    minutes: minutes(10),
    rule: days(30),
    phases: ['cycling', 'running'],
    has: makesWater,
    caution: 'purified',
    away: 'after',
  },
  {
    id: 'probes',
    name: 'Renew what sensors use up',
    why: 'Storage fluid, reagents, brushes and batteries: a probe that dried out reads anything.',
    minutes: minutes(10),
    rule: days(30),
    phases: ['cycling', 'running'],
    has: ({ kits, readings }) =>
      readings.ph.some(({ kitId }) => kits[kitId]?.scale.form === 'digital'),
    away: 'after',
  },
  {
    id: 'pumps',
    name: 'Clean the pumps',
    why: 'Lime and worms slow them long before they stop. Unplugged first, vinegar for the lime.',
    minutes: minutes(60),
    rule: days(120),
    phases: ['running'],
    caution: 'strongChemicals',
    away: 'after',
  },
  {
    id: 'hoses',
    name: 'Look over hoses, clamps and cords',
    why: 'Floods begin at a cracked hose, fires at a salted plug.',
    minutes: minutes(20),
    rule: days(365),
    phases: ['running'],
    caution: 'electricity',
    away: 'before',
  },
];
