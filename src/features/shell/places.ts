import type { ComponentType } from 'react';
import Activity from 'lucide-react-native/icons/chart-spline';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Fish from 'lucide-react-native/icons/fish-symbol';
import Locate from 'lucide-react-native/icons/locate';
import Waves from 'lucide-react-native/icons/waves-horizontal';

type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

/** Where a place is led to from: the foot of a phone, behind More (in the rail where it is wide), or a screen. */
type Shown =
  { in: 'bar'; label: string; icon: Icon } | { in: 'more'; label: string; note: string } | null;

/** Each part of the addresses, with what the frame has to know of it. */
interface Row {
  path: string;
  shown: Shown;
  /** The key that goes there. */
  hotkey?: string;
  /** Without a tank it has nothing to show. */
  needsTank: boolean;
  /** What of it takes the whole of a phone: entering something is one thing at a time. */
  full: 'none' | 'pages' | 'all';
}

const bar = (label: string, icon: Icon): Shown => ({ in: 'bar', label, icon });
const more = (label: string, note: string): Shown => ({ in: 'more', label, note });

/** In the order in which they are shown. A route without its row fails a test. */
const ROWS: readonly Row[] = [
  { path: '/', shown: bar('Today', Locate), hotkey: 't', needsTank: false, full: 'none' },
  { path: '/water', shown: bar('Water', Waves), hotkey: 'w', needsTank: true, full: 'none' },
  { path: '/cycle', shown: bar('Cycle', Activity), hotkey: 'c', needsTank: true, full: 'pages' },
  { path: '/stock', shown: bar('Stock', Fish), hotkey: 'k', needsTank: true, full: 'pages' },
  { path: '/more', shown: bar('More', Ellipsis), needsTank: false, full: 'none' },
  {
    path: '/quarantine',
    shown: more('Quarantine', 'Batches by day, the daily look, ammonia held down'),
    hotkey: 'q',
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/acclimate',
    shown: more('Acclimate', 'From the bag to the tank: the method, the drip, the steps'),
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/emergency',
    shown: more('Emergency', 'First five minutes, the hour, the day: what to do, in order'),
    hotkey: 'e',
    needsTank: false,
    full: 'all',
  },
  {
    path: '/rhythm',
    shown: more('Rhythm', 'Chores and the weeks ahead, days away, calendar and reminders'),
    hotkey: 'r',
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/month',
    shown: more('Month', 'What changed, drifted, came and was lost, on one page'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/costs',
    shown: more('Costs', 'Bought and running, by month and kind; packs compared'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/tanks',
    shown: more('Tanks', 'Volumes, lid, heater, and what each was filled with'),
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/instruments',
    shown: more('Instruments', 'Test kits and meters, their steps and dates'),
    hotkey: 'i',
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/runs/build',
    shown: more('Build', 'From an empty stand to water that holds still, step by step'),
    needsTank: false,
    full: 'all',
  },
  {
    path: '/runs/mix',
    shown: more('Make water', 'A batch of salt water, from the tap to the barrel'),
    needsTank: false,
    full: 'all',
  },
  {
    path: '/bench',
    shown: more('Bench', 'Sums: salt, water changes, minerals, heaters and more'),
    hotkey: 'b',
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/catalogue',
    shown: more('Catalogue', 'Fish, invertebrates and corals: what each needs and whom it harms'),
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/data',
    shown: more('Data', 'Export, import, undo'),
    hotkey: 'd',
    needsTank: false,
    full: 'none',
  },
  {
    path: '/guide',
    shown: more('Guide', 'What the words mean'),
    hotkey: 'g',
    needsTank: false,
    full: 'none',
  },
  {
    path: '/settings',
    shown: more('Settings', 'Units, bands, day and night'),
    hotkey: 's',
    needsTank: false,
    full: 'none',
  },
  { path: '/log', shown: null, needsTank: true, full: 'all' },
  { path: '/runs', shown: null, needsTank: false, full: 'pages' },
  { path: '/away', shown: null, needsTank: false, full: 'all' },
  { path: '/moving', shown: null, needsTank: true, full: 'pages' },
  { path: '/demo', shown: null, needsTank: false, full: 'none' },
];

interface Place {
  path: string;
  label: string;
  hotkey?: string;
}

const placesIn = <W extends 'bar' | 'more'>(where: W) =>
  ROWS.flatMap(({ path, hotkey, shown }) =>
    shown?.in === where
      ? [{ path, ...(hotkey ? { hotkey } : {}), ...(shown as Extract<Shown, { in: W }>) }]
      : [],
  );

/** The places a thumb reaches at the foot of a phone. */
export const BAR: readonly (Place & { icon: Icon })[] = placesIn('bar');

/** Every other place: behind More on a phone, in the rail where it is wide. */
export const MORE: readonly (Place & { note: string })[] = placesIn('more');

/** The row of an address: its own, else that of what it lies in; none for an address that leads nowhere. */
export function rowOf(path: string): Row | undefined {
  return ROWS.find(
    (row) => path === row.path || (row.path !== '/' && path.startsWith(`${row.path}/`)),
  );
}

/** Whether a place's screen is kept between visits. */
export const isKept = (path: string) => BAR.some((place) => place.path === path);

export const needsTank = (path: string): boolean => rowOf(path)?.needsTank ?? true;

/** Screens that take the whole of a phone. */
export function isEntryPath(path: string): boolean {
  const row = rowOf(path);
  return row?.full === 'all' || (row?.full === 'pages' && path !== row.path);
}

/** What is read in an emergency, which waits for no log: the list, and a procedure by its name. */
export function isHelpPath(path: string): boolean {
  return path === '/emergency' || /^\/runs\/[A-Za-z]+$/.test(path);
}

/** The place a path belongs to, for marking it in the bar and the rail. */
export function placeOf(path: string): string {
  const all = [...BAR, ...MORE].map((place) => place.path);
  return (
    all.find((place) => place !== '/' && (path === place || path.startsWith(`${place}/`))) ??
    (path === '/' ? '/' : '')
  );
}

/**
 * How a link leads from one place to another. Places lie beside each other: one takes the place of the
 * other, so that Back leads to Today from each, and a session of a thousand of them holds no more than
 * one of two. From a page within a place it is a step onward, which Back takes back.
 */
export function stepTo(from: string, to: string): { dismissTo?: true; replace?: true } {
  if (to === '/') return { dismissTo: true };
  const beside = [...BAR, ...MORE].some(({ path }) => path === from && path !== '/');
  return beside ? { replace: true } : {};
}
