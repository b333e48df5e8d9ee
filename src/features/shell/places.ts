import type { ComponentType } from 'react';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Fish from 'lucide-react-native/icons/fish-symbol';
import Locate from 'lucide-react-native/icons/locate';
import Waves from 'lucide-react-native/icons/waves-horizontal';

type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

export type GroupId =
  'today' | 'water' | 'animals' | 'maintenance' | 'gear' | 'records' | 'learn' | 'settings';

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
  /** Words of the Guide that it uses, said at its end; none where it speaks as everybody does. */
  terms: readonly string[];
  /** Its screen is kept between visits. */
  kept?: true;
}

const shown = (group: GroupId, label: string) => ({ group, label });

/** In the order in which they are shown. A route without its row fails a test. */
const ROWS: readonly Row[] = [
  {
    path: '/',
    shown: shown('today', 'Today'),
    hotkey: 't',
    needsTank: false,
    full: 'none',
    terms: ['Milestone', 'Forecast', 'Rule for done'],
    kept: true,
  },
  {
    path: '/water',
    shown: shown('water', 'Results'),
    hotkey: 'w',
    needsTank: true,
    full: 'none',
    terms: ['Band', 'Basis', 'Between'],
    kept: true,
  },
  {
    path: '/cycle',
    shown: shown('water', 'Cycle'),
    hotkey: 'c',
    needsTank: true,
    full: 'pages',
    terms: ['Criterion', 'Filter bacteria', 'Challenge'],
    kept: true,
  },
  {
    path: '/runs/mix',
    shown: shown('water', 'Mix saltwater'),
    needsTank: false,
    full: 'all',
    terms: ['Specific gravity', 'Net water', 'Run'],
  },
  {
    path: '/calculators',
    shown: shown('water', 'Calculators'),
    hotkey: 'b',
    needsTank: false,
    full: 'pages',
    terms: ['Net water', 'Basis', 'Specific gravity'],
  },
  {
    path: '/instruments',
    shown: shown('water', 'Test kits and meters'),
    hotkey: 'i',
    needsTank: false,
    full: 'pages',
    terms: ['Instrument', 'Calibration', 'Step'],
  },
  {
    path: '/stock',
    shown: shown('animals', 'Stock'),
    hotkey: 'k',
    needsTank: true,
    full: 'pages',
    terms: ['Wish', 'Feeding limit', 'Group'],
    kept: true,
  },
  {
    path: '/catalogue',
    shown: shown('animals', 'Species'),
    needsTank: false,
    full: 'pages',
    terms: ['Mouth size', 'Sting range', 'Clean-up crew'],
  },
  {
    path: '/quarantine',
    shown: shown('animals', 'Quarantine'),
    hotkey: 'q',
    needsTank: true,
    full: 'pages',
    terms: ['Batch', 'Clear day', 'Protocol'],
  },
  {
    path: '/acclimate',
    shown: shown('animals', 'Acclimation'),
    needsTank: true,
    full: 'pages',
    terms: ['Free ammonia', 'Specific gravity', 'Run'],
  },
  {
    path: '/stock/corals',
    shown: shown('animals', 'Corals'),
    needsTank: true,
    full: 'all',
    terms: ['Position', 'Sting range'],
  },
  {
    path: '/stock/growth',
    shown: shown('animals', 'Algae and pests'),
    needsTank: true,
    full: 'all',
    terms: ['Sighting', 'Measure', 'Clean-up crew'],
  },
  {
    path: '/chores',
    shown: shown('maintenance', 'Chores'),
    hotkey: 'r',
    needsTank: true,
    full: 'pages',
    terms: ['Daily check', 'Act'],
  },
  {
    path: '/away',
    shown: shown('maintenance', 'Going away'),
    needsTank: false,
    full: 'all',
    terms: ['Run'],
  },
  {
    path: '/runs/build',
    shown: shown('gear', 'Build'),
    needsTank: false,
    full: 'all',
    terms: ['Net water', 'Gate'],
  },
  {
    path: '/tanks',
    shown: shown('gear', 'Tanks'),
    needsTank: false,
    full: 'pages',
    terms: ['Net water', 'Not entered', 'Method'],
  },
  {
    path: '/costs',
    shown: shown('gear', 'Costs'),
    needsTank: true,
    full: 'none',
    terms: [],
  },
  {
    path: '/moving/move',
    shown: shown('gear', 'Moving'),
    needsTank: true,
    full: 'all',
    terms: ['Filter bacteria', 'Net water'],
  },
  {
    path: '/journal',
    shown: shown('records', 'Journal'),
    hotkey: 'j',
    needsTank: true,
    full: 'none',
    terms: ['Act', 'Reading'],
  },
  {
    path: '/month',
    shown: shown('records', 'Month'),
    needsTank: true,
    full: 'none',
    terms: ['Band', 'Reading'],
  },
  {
    path: '/data',
    shown: shown('records', 'Data'),
    hotkey: 'd',
    needsTank: false,
    full: 'none',
    terms: ['Act'],
  },
  {
    path: '/guide',
    shown: shown('learn', 'Guide'),
    hotkey: 'g',
    needsTank: false,
    full: 'pages',
    terms: [],
  },
  {
    path: '/settings',
    shown: shown('settings', 'Settings'),
    hotkey: 's',
    needsTank: false,
    full: 'none',
    terms: ['Band', 'Basis'],
  },
  { path: '/more', shown: null, needsTank: false, full: 'none', terms: [], kept: true },
  {
    path: '/emergency',
    shown: null,
    called: 'Emergencies',
    hotkey: 'e',
    needsTank: false,
    full: 'all',
    terms: [],
  },
  {
    path: '/search',
    shown: null,
    called: 'Search',
    hotkey: '/',
    needsTank: false,
    full: 'all',
    terms: [],
  },
  {
    path: '/log',
    shown: null,
    needsTank: true,
    full: 'all',
    terms: ['Test session', 'Between', 'Basis'],
  },
  { path: '/runs', shown: null, needsTank: false, full: 'pages', terms: [] },
  {
    path: '/moving',
    shown: null,
    needsTank: true,
    full: 'pages',
    terms: ['Filter bacteria', 'Net water'],
  },
  { path: '/demo', shown: null, needsTank: false, full: 'none', terms: [] },
];

export interface Place {
  path: string;
  label: string;
  group: GroupId;
}

/** Every place, in the order of the groups. */
export const PLACES: readonly Place[] = ROWS.flatMap(({ path, shown }) =>
  shown ? [{ path, ...shown }] : [],
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
