import type { ComponentType } from 'react';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Fish from 'lucide-react-native/icons/fish-symbol';
import Locate from 'lucide-react-native/icons/locate';
import Waves from 'lucide-react-native/icons/waves-horizontal';
import { movedTo } from '@/frame/moved';

type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

export type GroupId =
  | 'today'
  | 'water'
  | 'animals'
  | 'maintenance'
  | 'gear'
  | 'records'
  | 'learn'
  | 'settings';

/** A group of places, as a keeper thinks of them. */
interface Group {
  id: GroupId;
  label: string;
  /** With one it stands at the foot of a phone. */
  icon?: Icon;
}

/** In the order in which they are shown. */
const GROUPS: readonly Group[] = [
  { id: 'today', label: 'Today', icon: Locate },
  { id: 'water', label: 'Water', icon: Waves },
  { id: 'animals', label: 'Animals', icon: Fish },
  { id: 'maintenance', label: 'Maintenance' },
  { id: 'gear', label: 'Tank and gear' },
  { id: 'records', label: 'Records' },
  { id: 'learn', label: 'Learn' },
  { id: 'settings', label: 'Settings' },
];

/** Each part of the addresses, with what the frame has to know of it. */
interface Row {
  path: string;
  /** Where it is led to from; null for what only screens lead to. */
  shown: { group: GroupId; label: string } | null;
  /** The key that goes there. */
  hotkey?: string;
  /** What the list of keys calls it, where no group shows it. */
  called?: string;
  /** Without a tank it has nothing to show. */
  needsTank: boolean;
  /** What of it takes the whole of a phone: entering something is one thing at a time. */
  full: 'none' | 'pages' | 'all';
  /** Its screen is kept between visits. */
  kept?: true;
  /** It opens logs, and stays on screen meanwhile: taken away, it would come back at Today and say nothing. */
  opensLogs?: true;
}

const shown = (group: GroupId, label: string) => ({ group, label });

/** In the order in which they are shown. A route without its row fails a test. */
const EACH = [
  {
    path: '/',
    shown: shown('today', 'Today'),
    hotkey: 't',
    needsTank: false,
    full: 'none',
    kept: true,
  },
  {
    path: '/water',
    shown: shown('water', 'Results'),
    hotkey: 'w',
    needsTank: true,
    full: 'none',
    kept: true,
  },
  {
    path: '/cycle',
    shown: shown('water', 'Cycle'),
    hotkey: 'c',
    needsTank: true,
    full: 'pages',
    kept: true,
  },
  {
    path: '/dosing',
    shown: shown('water', 'Dosing'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/runs/mix',
    shown: shown('water', 'Mix saltwater'),
    needsTank: false,
    full: 'all',
  },
  {
    path: '/calculators',
    shown: shown('water', 'Calculators'),
    hotkey: 'b',
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/instruments',
    shown: shown('water', 'Test kits and meters'),
    hotkey: 'i',
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/connected',
    shown: shown('water', 'Connected meters'),
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/stock',
    shown: shown('animals', 'Stock'),
    hotkey: 'k',
    needsTank: true,
    full: 'pages',
    kept: true,
  },
  {
    path: '/catalogue',
    shown: shown('animals', 'Species'),
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/quarantine',
    shown: shown('animals', 'Quarantine'),
    hotkey: 'q',
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/acclimate',
    shown: shown('animals', 'Acclimation'),
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/stock/corals',
    shown: shown('animals', 'Corals'),
    needsTank: true,
    full: 'all',
  },
  {
    path: '/stock/growth',
    shown: shown('animals', 'Algae and pests'),
    needsTank: true,
    full: 'all',
  },
  {
    path: '/chores',
    shown: shown('maintenance', 'Chores'),
    hotkey: 'r',
    needsTank: true,
    full: 'pages',
  },
  {
    path: '/away',
    shown: shown('maintenance', 'Going away'),
    needsTank: false,
    full: 'all',
  },
  {
    path: '/runs/build',
    shown: shown('gear', 'Build'),
    needsTank: false,
    full: 'all',
  },
  {
    path: '/tanks',
    shown: shown('gear', 'Tanks'),
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/costs',
    shown: shown('gear', 'Costs'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/moving/move',
    shown: shown('gear', 'Moving'),
    needsTank: true,
    full: 'all',
  },
  {
    path: '/journal',
    shown: shown('records', 'Journal'),
    hotkey: 'j',
    needsTank: true,
    full: 'none',
  },
  {
    path: '/month',
    shown: shown('records', 'Month'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/photos',
    shown: shown('records', 'Photos'),
    needsTank: true,
    full: 'none',
  },
  {
    path: '/data',
    shown: shown('records', 'Data'),
    hotkey: 'd',
    needsTank: false,
    full: 'none',
  },
  {
    path: '/guide',
    shown: shown('learn', 'Guide'),
    hotkey: 'g',
    needsTank: false,
    full: 'pages',
  },
  {
    path: '/practice',
    shown: shown('learn', 'Practice'),
    needsTank: false,
    full: 'none',
    opensLogs: true,
  },
  {
    path: '/settings',
    shown: shown('settings', 'Settings'),
    hotkey: 's',
    needsTank: false,
    full: 'none',
  },
  { path: '/more', shown: null, needsTank: false, full: 'none', kept: true },
  {
    path: '/emergency',
    shown: null,
    called: 'Emergencies',
    hotkey: 'e',
    needsTank: false,
    full: 'all',
  },
  {
    path: '/search',
    shown: null,
    called: 'Search',
    hotkey: '/',
    needsTank: false,
    full: 'all',
  },
  {
    path: '/log',
    shown: null,
    needsTank: true,
    full: 'all',
  },
  { path: '/runs', shown: null, needsTank: false, full: 'pages' },
  {
    path: '/moving',
    shown: null,
    needsTank: true,
    full: 'pages',
  },
  { path: '/demo', shown: null, needsTank: false, full: 'none', opensLogs: true },
] as const satisfies readonly Row[];
export type PlacePath = (typeof EACH)[number]['path'];
/** Of those that a group shows. */
export type ShownPath = Extract<(typeof EACH)[number], { shown: object }>['path'];
const ROWS: readonly Row[] = EACH;

export interface Place {
  path: ShownPath;
  label: string;
  group: GroupId;
}

/** Every place, in the order of the groups. */
export const PLACES: readonly Place[] = EACH.flatMap((row) =>
  row.shown ? [{ path: row.path, ...row.shown }] : [],
);

/** Groups with their places; the first of each is where its name leads. */
export const GROUPED: readonly (Group & { path: string; places: readonly Place[] })[] = GROUPS.map(
  (group) => {
    const places = PLACES.filter((place) => place.group === group.id);
    const [first] = places;
    if (!first) throw new Error(`The group ${group.id} has no place.`);
    return { ...group, path: first.path, places };
  },
);

/** At the foot of a phone: the groups a thumb reaches, and what leads to all others. */
export const BAR: readonly {
  path: string;
  label: string;
  icon: Icon;
  groups: readonly GroupId[];
}[] = [
  ...GROUPED.flatMap(({ id, path, label, icon }) =>
    icon ? [{ path, label, icon, groups: [id] }] : [],
  ),
  {
    path: '/more',
    label: 'More',
    icon: Ellipsis,
    groups: GROUPS.flatMap(({ id, icon }) => (icon ? [] : [id])),
  },
];

/** What a single key leads to, with its name. */
export const KEYS: readonly { path: string; label: string; hotkey: string }[] = ROWS.flatMap(
  ({ path, shown, called, hotkey }) =>
    hotkey ? [{ path, hotkey, label: shown?.label ?? called ?? path }] : [],
);

const liesIn = (path: string, place: string) =>
  path === place || (place !== '/' && path.startsWith(`${place}/`));

/** The row of an address: its own, else that of what it lies in; none for an address that leads nowhere. */
export function rowOf(path: string): Row | undefined {
  return ROWS.filter((row) => liesIn(path, row.path)).sort(
    (a, b) => b.path.length - a.path.length,
  )[0];
}

/** Whether a place's screen is kept between visits. */
export const isKept = (path: string) => ROWS.some((row) => row.path === path && row.kept);

/** Whether an address has nothing to show without a tank; a former one asks what it leads to now. */
export const needsTank = (path: string): boolean => rowOf(movedTo(path) ?? path)?.needsTank ?? true;

/** Whether an address lies in what opens logs. */
export const opensLogs = (path: string): boolean => rowOf(path)?.opensLogs ?? false;

/** Screens that take the whole of a phone. */
export function isEntryPath(path: string): boolean {
  const row = rowOf(path);
  return row?.full === 'all' || (row?.full === 'pages' && path !== row.path);
}

/** What is read in an emergency, which waits for no log: the list, and a procedure by its name. */
export function isHelpPath(path: string): boolean {
  return path === '/emergency' || /^\/runs\/[A-Za-z]+$/.test(path);
}

/** The place that an address lies in; null where no group shows it. */
export function placeOf(path: string): Place | null {
  const row = rowOf(path);
  return PLACES.find((place) => place.path === row?.path) ?? null;
}

/**
 * How a link leads from one place to another. Places lie beside each other: one takes the place of the
 * other, so that Back leads to Today from each, and a session of a thousand of them holds no more than
 * one of two. From a page within a place it is a step onward, which Back takes back.
 */
export function stepTo(from: string, to: string): { dismissTo?: true; replace?: true } {
  if (to === '/') return { dismissTo: true };
  const beside = [...PLACES, ...BAR].some(({ path }) => path === from && path !== '/');
  return beside ? { replace: true } : {};
}
