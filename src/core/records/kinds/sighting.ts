import * as z from 'zod';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const GROWTHS = ['diatoms', 'film', 'hair', 'sheet', 'brownSnot'] as const;
export type Growth = (typeof GROWTHS)[number];
export const EXTENTS = ['none', 'trace', 'patches', 'covering'] as const;
export type Extent = (typeof EXTENTS)[number];

const schema = z.strictObject({
  kind: z.literal('sighting'),
  ...ofTank,
  growth: z.enum(GROWTHS),
  extent: z.enum(EXTENTS),
});
export type SightingEntry = z.infer<typeof schema>;

export const GROWTH_WORDS: Record<Growth, { name: string; looks: string }> = {
  diatoms: { name: 'Diatoms', looks: 'Rusty brown dust on sand and glass; wipes off' },
  film: { name: 'Green film', looks: 'A green haze on the glass' },
  hair: { name: 'Hair algae', looks: 'Green threads on rock' },
  sheet: {
    name: 'Cyanobacteria (red slime)',
    looks: 'A red or maroon skin that lifts off in pieces',
  },
  brownSnot: {
    name: 'Dinoflagellates',
    looks: 'Brown slimy strings with bubbles, worse by afternoon, gone overnight',
  },
};

export const EXTENT_WORDS: WordsOf<Extent> = {
  none: 'Gone',
  trace: 'A trace',
  patches: 'Patches',
  covering: 'Covering',
};

/** One growth of the ugly stage, as far as it was seen to reach. */
export const sighting = defineKind({
  schema,
  subject: 'tank',
  name: 'growth',
  counted: ['growth seen', 'growths seen'],
  reported: true,
  title: (entry) => GROWTH_WORDS[entry.growth].name,
  line: (entry) => EXTENT_WORDS[entry.extent],
  touches: () => ['growth'],
  cycle: () => NO_EFFECT,
});
