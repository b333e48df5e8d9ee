import type { ComponentType } from 'react';
import Activity from 'lucide-react-native/icons/chart-spline';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Fish from 'lucide-react-native/icons/fish-symbol';
import Locate from 'lucide-react-native/icons/locate';
import Waves from 'lucide-react-native/icons/waves-horizontal';

export interface Place {
  path: string;
  label: string;
  /** The key that goes there. */
  hotkey?: string;
}

export interface BarPlace extends Place {
  icon: ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;
}

/** The places a thumb reaches at the foot of a phone. */
export const BAR: readonly BarPlace[] = [
  { path: '/', label: 'Today', hotkey: 't', icon: Locate },
  { path: '/water', label: 'Water', hotkey: 'w', icon: Waves },
  { path: '/cycle', label: 'Cycle', hotkey: 'c', icon: Activity },
  { path: '/stock', label: 'Stock', hotkey: 'k', icon: Fish },
  { path: '/more', label: 'More', icon: Ellipsis },
];

/** Whether a place's screen is kept between visits. */
export const isKept = (path: string) => BAR.some((place) => place.path === path);

/** Every other place: behind More on a phone, in the rail where it is wide. */
export const MORE: readonly (Place & { note: string })[] = [
  {
    path: '/quarantine',
    label: 'Quarantine',
    hotkey: 'q',
    note: 'Batches by day, the daily look, ammonia held down',
  },
  {
    path: '/acclimate',
    label: 'Acclimate',
    note: 'From the bag to the tank: the method, the drip, the steps',
  },
  {
    path: '/emergency',
    label: 'Emergency',
    hotkey: 'e',
    note: 'First five minutes, the hour, the day: what to do, in order',
  },
  {
    path: '/rhythm',
    label: 'Rhythm',
    hotkey: 'r',
    note: 'Chores and the weeks ahead, days away, calendar and reminders',
  },
  {
    path: '/month',
    label: 'Month',
    note: 'What changed, drifted, came and was lost, on one page',
  },
  { path: '/costs', label: 'Costs', note: 'Bought and running, by month and kind; packs compared' },
  { path: '/tanks', label: 'Tanks', note: 'Volumes, lid, heater, and what each was filled with' },
  {
    path: '/instruments',
    label: 'Instruments',
    hotkey: 'i',
    note: 'Test kits and meters, their steps and dates',
  },
  {
    path: '/runs/build',
    label: 'Build',
    note: 'From an empty stand to water that holds still, step by step',
  },
  {
    path: '/runs/mix',
    label: 'Make water',
    note: 'A batch of salt water, from the tap to the barrel',
  },
  {
    path: '/bench',
    label: 'Bench',
    hotkey: 'b',
    note: 'Sums: salt, water changes, minerals, heaters and more',
  },
  {
    path: '/catalogue',
    label: 'Catalogue',
    note: 'Fish, invertebrates and corals: what each needs and whom it harms',
  },
  { path: '/data', label: 'Data', hotkey: 'd', note: 'Export, import, undo' },
  { path: '/guide', label: 'Guide', hotkey: 'g', note: 'What the words mean' },
  { path: '/settings', label: 'Settings', hotkey: 's', note: 'Units, bands, day and night' },
];

/** Places that need no tank. */
const FREE = [
  '/tanks',
  '/instruments',
  '/bench',
  '/catalogue',
  '/data',
  '/away',
  '/guide',
  '/emergency',
  '/runs',
  '/settings',
  '/more',
  '/demo',
];

export function needsTank(path: string): boolean {
  return path !== '/' && !FREE.some((free) => path === free || path.startsWith(`${free}/`));
}

/** What is read in an emergency, which waits for no log: the list, and a procedure by its name. */
export function isHelpPath(path: string): boolean {
  return path === '/emergency' || /^\/runs\/[A-Za-z]+$/.test(path);
}

/** Screens that take the whole of a phone: entering something is one thing at a time. */
export function isEntryPath(path: string): boolean {
  return (
    path === '/log' ||
    path === '/emergency' ||
    path === '/away' ||
    /^\/(log|tanks|rhythm|away|moving|instruments|cycle|bench|runs|catalogue|stock|quarantine|acclimate)\/./.test(
      path,
    )
  );
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
