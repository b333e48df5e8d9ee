import type { Random } from './random';

// Bound once: looking them up in every step is slow where globals are watched over, as in tests.
const { abs, cos, exp, log, sin, sqrt } = Math;

/** The standard normal distribution function, by Abramowitz and Stegun 26.2.17 (error under 8e-8). */
export function normalCdf(x: number): number {
  if (x < -8) return 0;
  if (x > 8) return 1;
  const t = 1 / (1 + 0.2316419 * abs(x));
  const poly =
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = 0.3989422804014327 * exp(-0.5 * x * x) * poly;
  return x >= 0 ? 1 - tail : tail;
}

/** Standard normal numbers from uniform ones, by Box and Muller. */
export function normalsFrom(random: Random): Random {
  let spare = NaN;
  return () => {
    if (spare === spare) {
      const value = spare;
      spare = NaN;
      return value;
    }
    const radius = sqrt(-2 * log(1 - random()));
    const angle = 2 * Math.PI * random();
    spare = radius * sin(angle);
    return radius * cos(angle);
  };
}
