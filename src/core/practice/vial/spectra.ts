import { exactExp } from '../../math/exact';

/** Wavelengths at which everything is told, nm: 400 to 700 by 10. */
export const WAVELENGTHS: readonly number[] = Array.from({ length: 31 }, (_, n) => 400 + 10 * n);

/** A value for each wavelength. */
export type Spectrum = readonly number[];

/** A hump around a wavelength, 1 at its top; wider on one side where two widths are given, nm. */
export function hump(centre: number, below: number, above = below): Spectrum {
  return WAVELENGTHS.map((nm) => {
    const off = (nm - centre) / (nm < centre ? below : above);
    return exactExp(-0.5 * off * off);
  });
}

export function sum(...parts: readonly (readonly [weight: number, of: Spectrum])[]): Spectrum {
  return WAVELENGTHS.map((_, n) =>
    parts.reduce((all, [weight, of]) => all + weight * (of[n] ?? 0), 0),
  );
}

const EVEN: Spectrum = WAVELENGTHS.map(() => 1);

export const LIGHTS = ['daylight', 'warm', 'reef'] as const;
/** The light a card is held in. */
export type Light = (typeof LIGHTS)[number];

export const LIGHT_WORDS: Record<Light, string> = {
  daylight: 'Daylight',
  warm: 'A warm lamp',
  reef: 'Blue reef light',
};

/** What each light gives at each wavelength, by how much: shapes of such lamps, no lamp's own figures. */
const LAMPS: Record<Light, Spectrum> = {
  daylight: sum([1, EVEN], [0.15, hump(470, 60)], [-0.25, hump(690, 60)]),
  warm: sum([0.12, hump(455, 12)], [1, hump(600, 75)], [0.25, hump(660, 40)]),
  reef: sum([1, hump(450, 14)], [0.5, hump(420, 10)], [0.15, hump(472, 12)], [0.012, EVEN]),
};

export const lampOf = (light: Light): Spectrum => LAMPS[light];

/**
 * The eye of the standard observer of 1931, by the humps that Wyman, Sloan and Shirley (2013, Journal of Computer
 * Graphics Techniques 2) fitted to it.
 */
export const OBSERVER = {
  x: sum(
    [1.056, hump(599.8, 37.9, 31)],
    [0.362, hump(442, 16, 26.7)],
    [-0.065, hump(501.1, 20.4, 26.2)],
  ),
  y: sum([0.821, hump(568.8, 46.9, 40.5)], [0.286, hump(530.9, 16.3, 31.1)]),
  z: sum([1.217, hump(437, 11.8, 36)], [0.681, hump(459, 26, 13.8)]),
} as const;
