import { PARAMETER_IDS, PARAMETERS } from '@/core/parameters/registry';
import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';
import { PLACES, type ShownPath } from './shell/places';

/** What people look for when a place is what they need. */
export const PLACES_ALSO: Readonly<Record<ShownPath, string>> = {
  '/': 'today home overview start',
  '/water': 'results readings charts graph parameters history of tests',
  '/cycle': 'cycled ready for fish ammonia nitrite verdict forecast',
  '/dosing': 'dose doses additives alkalinity calcium magnesium two part ammonia drops',
  '/runs/mix': 'make saltwater batch NSW barrel',
  '/calculators': 'calculator calculators sums convert',
  '/instruments': 'test kits meters instruments kit refractometer expiry',
  '/connected':
    'monitor probe sensor controller alarm leak pen colorimeter shop slip store test stream',
  '/stock': 'who lives here fish list roster plan stocking',
  '/catalogue': 'species list fish invertebrates corals database',
  '/quarantine': 'QT hospital batches',
  '/acclimate': 'acclimation drip bag temperature float bring home',
  '/stock/corals': 'coral placement frags light',
  '/stock/growth': 'algae pests diatoms cyano',
  '/chores': 'chores maintenance schedule calendar reminders weekly',
  '/away': 'holiday vacation sitter travel',
  '/runs/build': 'set up new tank',
  '/tanks': 'my tanks volume settings',
  '/costs': 'money spent budget price',
  '/moving/move': 'move house transport tank upgrade',
  '/journal': 'all entries diary history log book',
  '/month': 'report summary print',
  '/photos': 'pictures images camera gallery',
  '/data': 'export import backup undo csv file erase',
  '/guide': 'glossary words help meaning',
  '/practice': 'practise simulator made-up tank game try out learn training sandbox what if',
  '/settings': 'units language dark night theme fahrenheit gallons',
};

const cycleTool = (tool: string, title: string, also: string): Offer => ({
  id: `cycle/${tool}`,
  kind: 'place',
  title,
  also,
  open: to.cycleTool(tool),
});

/** Places, readings and tools of the cycle, as the search leads to them. */
export const PLACE_OFFERS: readonly Offer[] = [
  ...PLACES.map(({ path, label }): Offer => ({
    id: `place${path}`,
    kind: 'place',
    title: label,
    also: PLACES_ALSO[path],
    open: path,
  })),
  ...PARAMETER_IDS.map((id): Offer => ({
    id: `parameter/${id}`,
    kind: 'place',
    title: `${PARAMETERS[id].name}: readings and chart`,
    also: `${PARAMETERS[id].inSentence} results history`,
    open: to.parameter(id),
  })),
  {
    id: 'place/emergency',
    kind: 'emergency',
    title: 'Emergencies',
    also: 'SOS help dying gasping',
    open: to.emergency,
  },
  {
    id: 'place/spreadsheet',
    kind: 'place',
    title: 'Bring in a spreadsheet',
    also: 'import csv xlsx sheet paste my old tests history',
    open: to.spreadsheet,
  },
  {
    id: 'place/report',
    kind: 'place',
    title: 'A report of this tank, to print',
    also: 'pdf paper print vet veterinarian shop club summary share',
    open: to.report,
  },
  {
    id: 'place/devices',
    kind: 'place',
    title: 'Another device: carry the log, take it over',
    also: 'sync phone computer tablet two devices share household transfer move',
    open: to.devices,
  },
  {
    id: 'place/changes',
    kind: 'place',
    title: 'All changes, each with its undo',
    also: 'undo history revert mistake corrected deleted lately',
    open: to.changes,
  },
  cycleTool('dose', 'Work out a dose of ammonia', 'drops ppm ammonium chloride fishless'),
  cycleTool('method', 'Methods of cycling', 'fishless bottle bacteria prawn live rock seeded'),
  cycleTool('challenge', 'A challenge dose', '24 hour test 2 ppm process'),
  cycleTool('programme', 'A bottle’s programme', 'bottled bacteria day by day'),
  cycleTool('end', 'The last steps of a cycle', 'big water change before fish nitrate'),
];
