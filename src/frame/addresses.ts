import type { Href } from 'expo-router';
import type { QuarantinePage, StockPage } from '@/core/opens';
import type { ParameterId } from '@/core/parameters/registry';

type Given = Readonly<Record<string, string>>;

function withGiven(path: string, given: Given): string {
  const query = new URLSearchParams(given).toString();
  return query === '' ? path : `${path}?${query}`;
}

/** Every address of the app that is made from something, in one place. */
export const to = {
  today: '/',
  water: '/water',
  parameter: (id: ParameterId) => `/water/${id}`,
  cycle: '/cycle',
  stock: '/stock',
  stockPage: (page: StockPage, given: Given = {}) => withGiven(`/stock/${page}`, given),
  /** One group of the roster, by the entry that brought it in. */
  cohort: (id: string) => `/stock/groups/${id}`,
  quarantine: '/quarantine',
  quarantinePage: (page: QuarantinePage, given: Given = {}) =>
    withGiven(`/quarantine/${page}`, given),
  batch: (id: string) => `/quarantine/batches/${id}`,
  acclimation: (id: string) => `/acclimate/${id}`,
  acclimate: (given: Given = {}) => withGiven('/acclimate', given),
  cycleTool: (tool: string) => `/cycle/${tool}`,
  /** A form of the log by its address, begun with what is handed over. */
  log: (path: string, given: Given = {}) => withGiven(`/log/${path}`, given),
  entry: (id: string) => `/log/entry/${id}`,
  tanks: '/tanks',
  tank: (id: string) => `/tanks/${id}`,
  /** A part of a tank's description; `this` is the tank in view. */
  tankPart: (id: string, part: string) => `/tanks/${id}/${part}`,
  instruments: '/instruments',
  ownTests: '/instruments/own',
  connected: '/connected',
  connection: (id: string) => `/connected/${id}`,
  slip: '/connected/slip',
  paper: '/log/paper',
  instrument: (id: string) => `/instruments/${id}`,
  /** A calculator, begun with figures in its own units. */
  sum: (id: string, given: Given = {}) => withGiven(`/calculators/${id}`, given),
  animal: (id: string) => `/catalogue/${id}`,
  run: (id: string) => `/runs/${id}`,
  maintenance: '/chores',
  chore: (id: string) => `/chores/${id}`,
  away: '/away',
  sheet: '/away/sheet',
  emergency: '/emergency',
  costs: '/costs',
  month: (month: string) => `/month/${month}`,
  moving: (what: string) => `/moving/${what}`,
  data: '/data',
  spreadsheet: '/data/spreadsheet',
  changes: '/data/changes',
  devices: '/data/devices',
  report: '/data/report',
  settings: '/settings',
  practice: '/practice',
  /** Practice, with the tank of one situation ready to be begun. */
  practiceOf: (begin: string) => withGiven('/practice', { begin }),
  practiceAfter: '/practice/after',
  search: '/search',
  guidePage: (id: string) => `/guide/${id}`,
  /** The Guide, begun at one word. */
  word: (term: string) => withGiven('/guide', { word: term }),
} as const satisfies Record<string, Href | ((...parts: never[]) => Href)>;
