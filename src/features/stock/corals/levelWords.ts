import type { Level } from '@/core/records/schema/spot';

export const LEVEL_WORDS: Record<Level, string> = {
  sand: 'On the sand',
  low: 'Low rock',
  middle: 'Middle',
  high: 'High',
};
