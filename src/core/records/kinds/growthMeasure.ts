import * as z from 'zod';
import { labelSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const MEASURES = [
  'byHand',
  'lessLight',
  'blackout',
  'phosphateMedia',
  'refugium',
  'scrubber',
  'carbonSource',
  'nutrientsUp',
  'uv',
] as const;
export type Measure = (typeof MEASURES)[number];
export const GROWTH_MEASURE_ACTIONS = ['begun', 'changed', 'ended'] as const;

export const MEASURE_WORDS: WordsOf<Measure> = {
  byHand: 'Taken out by hand',
  lessLight: 'Less light',
  blackout: 'Blackout',
  phosphateMedia: 'Phosphate media',
  refugium: 'Refugium',
  scrubber: 'Algae scrubber',
  carbonSource: 'Carbon source',
  nutrientsUp: 'Nutrients raised',
  uv: 'UV steriliser',
};

const schema = z.strictObject({
  kind: z.literal('growthMeasure'),
  ...ofTank,
  measure: z.enum(MEASURES),
  action: z.enum(GROWTH_MEASURE_ACTIONS),
  /** How strong: "60 %", "50 g", "8 hours". */
  strength: labelSchema.optional(),
});

/** Something done about what grows, with its strength: begun, changed, ended. */
export const growthMeasure = defineKind({
  schema,
  subject: 'tank',
  name: 'measure against growth',
  counted: ['measure against growth', 'measures against growth'],
  reported: true,
  title: ({ measure, action }) =>
    action === 'begun' ? MEASURE_WORDS[measure] : `${MEASURE_WORDS[measure]} ${action}`,
  line: ({ strength }) => strength ?? '',
  touches: () => ['growth', 'nitrate', 'phosphate'],
  cycle: () => NO_EFFECT,
});
