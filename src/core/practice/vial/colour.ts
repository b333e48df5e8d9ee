import { exactPower } from '../../math/exact';
import { lampOf, OBSERVER, WAVELENGTHS, type Light, type Spectrum } from './spectra';

/** A colour as it is seen, X, Y and Z. */
export type Seen = readonly [x: number, y: number, z: number];

/** What comes to the eye from something that passes on so much of a light at each wavelength. */
export function seenUnder(passed: Spectrum, light: Light): Seen {
  const lamp = lampOf(light);
  const through = (eye: Spectrum) =>
    WAVELENGTHS.reduce((all, _, n) => all + (passed[n] ?? 0) * (lamp[n] ?? 0) * (eye[n] ?? 0), 0);
  return [through(OBSERVER.x), through(OBSERVER.y), through(OBSERVER.z)];
}

const WHITE: Spectrum = WAVELENGTHS.map(() => 1);
/** White under daylight, to which a screen's white is set. */
const DAY_WHITE = seenUnder(WHITE, 'daylight');
/** How far an eye adapts to the light of a room: not all the way. */
const ADAPTS = 0.75;

/** X, Y and Z as the eye has them that has got used to the light, white being 1 in each. */
function adapted(seen: Seen, light: Light): Seen {
  const white = seenUnder(WHITE, light);
  const each = (n: 0 | 1 | 2) => {
    // As bright as daylight, with what is left of the light's own colour.
    const own = white[n] / white[1] / (DAY_WHITE[n] / DAY_WHITE[1]);
    return (seen[n] / white[n]) * (ADAPTS + (1 - ADAPTS) * own);
  };
  return [each(0), each(1), each(2)];
}

/** The screen's own white, by which X, Y and Z of 1 become it (sRGB, D65). */
const SCREEN_WHITE: Seen = [0.9505, 1, 1.089];

const channel = (linear: number): number => {
  const held = Math.min(1, Math.max(0, linear));
  const shown = held <= 0.0031308 ? 12.92 * held : 1.055 * exactPower(held, 1 / 2.4) - 0.055;
  return Math.round(255 * Math.min(1, Math.max(0, shown)));
};

/** The red, green and blue of a screen, 0 to 255 each, that look as a thing does under a light (sRGB). */
export function screenColour(passed: Spectrum, light: Light): readonly [number, number, number] {
  const [a, b, c] = adapted(seenUnder(passed, light), light);
  const [x, y, z] = [a * SCREEN_WHITE[0], b * SCREEN_WHITE[1], c * SCREEN_WHITE[2]];
  return [
    channel(3.2406 * x - 1.5372 * y - 0.4986 * z),
    channel(-0.9689 * x + 1.8758 * y + 0.0415 * z),
    channel(0.0557 * x - 0.204 * y + 1.057 * z),
  ];
}

export const cssColour = ([r, g, b]: readonly [number, number, number]): string =>
  `rgb(${r}, ${g}, ${b})`;

/** How far apart two screen colours look, about 0 to 100 (distance in CIE L*a*b*, D65). */
export function apart(
  one: readonly [number, number, number],
  other: readonly [number, number, number],
): number {
  const a = lab(one);
  const b = lab(other);
  const off = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(off.reduce((all, by) => all + by * by, 0));
}

function lab([r, g, b]: readonly [number, number, number]): Seen {
  const [lr, lg, lb] = [r, g, b].map((c) => {
    const v = c / 255;
    return v <= 0.04045 ? v / 12.92 : exactPower((v + 0.055) / 1.055, 2.4);
  }) as [number, number, number];
  const f = (t: number) => (t > 0.008856 ? exactPower(t, 1 / 3) : 7.787 * t + 16 / 116);
  const x = f((0.4124 * lr + 0.3576 * lg + 0.1805 * lb) / SCREEN_WHITE[0]);
  const y = f(0.2126 * lr + 0.7152 * lg + 0.0722 * lb);
  const z = f((0.0193 * lr + 0.1192 * lg + 0.9505 * lb) / SCREEN_WHITE[2]);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}
