import { DEFAULT_SEED } from '../src/core/cycle/forecast';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import { whole } from './flags';

/** How hard a forecast is looked for: its seed, and how many particles follow the likeliest story. */
export const effortFlags = { seed: whole(0, 2 ** 31), particles: whole(24, 2000) };

/** Of the particles, how many follow each story that is less likely. */
const OTHER_SHARE = 1 / 6;
const FEWEST = 16;

/** What the flags come to; without them what the app takes. */
export function effortOf({
  seed = DEFAULT_SEED,
  particles,
}: {
  seed?: number | undefined;
  particles?: number | undefined;
}): InferenceOptions {
  if (particles === undefined) return { seed };
  return {
    seed,
    particles,
    otherParticles: Math.max(FEWEST, Math.round(particles * OTHER_SHARE)),
    members: Math.max(particles, 60),
  };
}
