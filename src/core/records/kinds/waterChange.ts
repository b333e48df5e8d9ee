import * as z from 'zod';
import { PARAMETER_IDS } from '../../parameters/registry';
import { formatPlain } from '../../units/format';
import { positive, quantityOf } from '../common';
import { defineKind, ofTank, type WordsOf } from './kind';

/** What is worth measuring of water before it goes in. */
export const NEW_WATER = ['salinity', 'temperature', 'alkalinity', 'ph', 'ammonia'] as const;

export const WATER_SOURCES = ['purified', 'conditionedTap', 'untreatedTap', 'otherTank'] as const;
export type WaterSource = (typeof WATER_SOURCES)[number];

export const SOURCE_WORDS: WordsOf<WaterSource> = {
  purified: 'Purified',
  conditionedTap: 'Tap, with conditioner',
  untreatedTap: 'Tap, untreated',
  otherTank: 'Water of another tank',
};

/** From this share of untreated tap water on its chlorine may kill, where less only slows. */
const MUCH_CHLORINE = 0.2;

const schema = z.strictObject({
  kind: z.literal('waterChange'),
  ...ofTank,
  litres: positive,
  /** Where the new water came from; left out where nobody said. */
  source: z.enum(WATER_SOURCES).optional(),
  /** What the new water measured, as far as anybody did. */
  newWater: z.strictObject({
    salinity: quantityOf('salinity').optional(),
    temperature: quantityOf('temperature').optional(),
    alkalinity: quantityOf('alkalinity').optional(),
    ph: quantityOf('ph').optional(),
    ammonia: quantityOf('ammonia').optional(),
  }),
});
export type WaterChangeEntry = z.infer<typeof schema>;

/** Share of the net water that was replaced, 0 to 1. */
export function changedShare(litres: number, netLitres: number): number {
  return Math.min(1, litres / netLitres);
}

/** Tank water out, new salt water in. */
export const waterChange = defineKind({
  schema,
  subject: 'tank',
  name: 'water change',
  counted: ['water change', 'water changes'],
  reported: true,
  title: () => 'Water change',
  line: (entry, { netLitres }) =>
    netLitres === null
      ? `${formatPlain(entry.litres)} L`
      : `${formatPlain(changedShare(entry.litres, netLitres) * 100, 0)} % of the net water`,
  // It dilutes or brings every one of them.
  touches: () => PARAMETER_IDS,
  cycle: ({ litres, source }, { netLitres }) => {
    if (source !== 'untreatedTap') return { dilutes: true };
    const much = changedShare(litres, netLitres) >= MUCH_CHLORINE;
    return { dilutes: true, filterBacteria: { is: much ? 'harmed' : 'slowed' } };
  },
});
