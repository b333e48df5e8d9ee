import { exactExp, exactLog } from '../../math/exact';
import type { ParameterId } from '../../parameters/registry';
import { cssColour, screenColour, seenUnder, type Seen } from './colour';
import { hump, sum, WAVELENGTHS, type Light, type Spectrum } from './spectra';

/**
 * The dyes that a test makes, all invented: what the reagents colour without a sample, and what comes with each
 * doubling of it. Absorption along the way through the vial.
 */
interface Dyes {
  bare: Spectrum;
  dye: Spectrum;
  /** What half of all colour stands for, in the kit's unit. */
  half: number;
}

const YELLOW = hump(435, 48);
const BLUE_GREEN = sum([1, hump(645, 75)], [0.45, hump(430, 50)]);
const MAGENTA = sum([1, hump(545, 52)], [0.12, hump(440, 40)]);
const ORANGE = sum([1, hump(495, 55)], [0.5, hump(440, 40)], [0.08, hump(620, 60)]);
const BLUE = sum([1, hump(700, 90)], [0.5, hump(610, 45)]);

/** Which dyes a card test of each parameter makes; null for what is read on a meter or by counting drops. */
const DYES: Record<ParameterId, Dyes | null> = {
  ammonia: { bare: sum([0.75, YELLOW]), dye: BLUE_GREEN, half: 2 },
  freeAmmonia: null,
  nitrite: { bare: sum([0.08, YELLOW]), dye: sum([0.95, MAGENTA]), half: 1.5 },
  nitrate: { bare: sum([0.5, YELLOW]), dye: sum([1, ORANGE]), half: 25 },
  ph: null,
  alkalinity: null,
  salinity: null,
  temperature: null,
  phosphate: { bare: sum([0.05, YELLOW]), dye: BLUE, half: 0.5 },
  calcium: null,
  magnesium: null,
};

/** Whether a card of a parameter can be shown. */
export const hasVial = (parameter: ParameterId): boolean => DYES[parameter] !== null;

/** What a vial passes on of a light, for what its colour stands for. */
function vialSpectrum({ bare, dye, half }: Dyes, shown: number): Spectrum {
  const strength = (2.4 * shown) / (half + shown);
  return WAVELENGTHS.map((_, n) => exactExp(-(bare[n] ?? 0) - strength * (dye[n] ?? 0)));
}

/** Printing inks: what each takes at full strength. They are not the dyes, so the two agree in daylight alone. */
const INKS: readonly Spectrum[] = [hump(650, 42), hump(538, 30), hump(437, 28)];

const printed = (inks: readonly number[]): Spectrum =>
  WAVELENGTHS.map((_, n) =>
    exactExp(-INKS.reduce((all, ink, i) => all + (inks[i] ?? 0) * (ink[n] ?? 0), 0)),
  );

/** Inks that print what looks like a vial in daylight, by Newton's steps on the logarithms of X, Y and Z. */
function inksFor(wanted: Seen): readonly number[] {
  const off = (inks: readonly number[]) => {
    const seen = seenUnder(printed(inks), 'daylight');
    return seen.map((value, n) => exactLog(value) - exactLog(wanted[n] ?? 1));
  };
  let inks = [0.5, 0.5, 0.5];
  for (let step = 0; step < 12; step += 1) {
    const now = off(inks);
    // Each ink's slope, by a small step of it.
    const slopes = inks.map((_, i) =>
      off(inks.map((value, k) => (k === i ? value + 1e-4 : value))).map(
        (value, n) => (value - (now[n] ?? 0)) / 1e-4,
      ),
    );
    const by = solved(slopes, now);
    inks = inks.map((value, i) => Math.min(6, Math.max(0, value - 0.8 * (by[i] ?? 0))));
  }
  return inks;
}

/** Three unknowns of three equations, by Cramer's rule; columns are what each unknown does. */
function solved(columns: readonly (readonly number[])[], wanted: readonly number[]): number[] {
  const determinant = (c: readonly (readonly number[])[]) => {
    const at = (i: number, j: number) => c[i]?.[j] ?? 0;
    return (
      at(0, 0) * (at(1, 1) * at(2, 2) - at(1, 2) * at(2, 1)) -
      at(1, 0) * (at(0, 1) * at(2, 2) - at(0, 2) * at(2, 1)) +
      at(2, 0) * (at(0, 1) * at(1, 2) - at(0, 2) * at(1, 1))
    );
  };
  const whole = determinant(columns);
  if (whole === 0) return [0, 0, 0];
  return columns.map(
    (_, i) => determinant(columns.map((column, k) => (k === i ? wanted : column))) / whole,
  );
}

/** A vial beside its card, as colours of a screen. */
export interface VialShown {
  vial: string;
  /** The white paper under both. */
  paper: string;
  /** The patch of each step of the card. */
  card: readonly string[];
}

const PAPER: Spectrum = WAVELENGTHS.map(() => 0.94);

const patches = new Map<string, readonly number[]>();

/**
 * How a vial and the patches of its card look under a light.
 * @param steps the card's steps, in the kit's unit
 * @param shown what the vial's colour stands for
 * @returns null for a parameter that is not read on a card here
 */
export function vialShown(
  parameter: ParameterId,
  steps: readonly number[],
  shown: number,
  light: Light,
): VialShown | null {
  const dyes = DYES[parameter];
  if (!dyes) return null;
  const patch = (step: number) => {
    const key = `${parameter}/${step}`;
    let inks = patches.get(key);
    if (!inks) {
      inks = inksFor(seenUnder(vialSpectrum(dyes, step), 'daylight'));
      patches.set(key, inks);
    }
    return cssColour(screenColour(printed(inks), light));
  };
  return {
    paper: cssColour(screenColour(PAPER, light)),
    vial: cssColour(screenColour(vialSpectrum(dyes, Math.max(0, shown)), light)),
    card: steps.map(patch),
  };
}
