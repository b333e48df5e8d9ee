import { escaped, type Drawn } from './picture';

/** Something that stands in a tank, as it is seen from above. */
export interface SeenFromAbove {
  name: string;
  /** cm from the left, and from the front. */
  x: number;
  z: number;
  /** How far it reaches at night, cm. */
  stingRange: number;
  /** Something stands against its place. */
  trouble: boolean;
}

/** Width of the picture, px. */
const WIDTH = 560;
const MARK = 13;

/** The first two letters of a name, each whole however it is made up. */
const firstOf = (name: string): string => [...name].slice(0, 2).join('');

/**
 * A tank from above as a drawing of its own: the map that a finger moves things on is none.
 * @param widthCm length of the tank along its front
 * @param depthCm from the front pane to the back one
 */
export function fromAbove(
  summary: string,
  widthCm: number,
  depthCm: number,
  items: readonly SeenFromAbove[],
): Drawn {
  const scale = WIDTH / Math.max(1, widthCm);
  const height = Math.max(40, Math.round(depthCm * scale));
  const marks = items.map(({ name, x, z, stingRange, trouble }) => {
    const [at, down] = [x * scale, height - z * scale];
    const stroke = trouble ? 'var(--magenta)' : 'var(--ink)';
    const ring =
      stingRange > 0
        ? `<circle cx="${at}" cy="${down}" r="${Math.max(MARK + 2, stingRange * scale)}" fill="none" stroke="${trouble ? stroke : 'var(--ink-soft)'}" stroke-width="1.5"${trouble ? '' : ' stroke-dasharray="4 4"'}/>`
        : '';
    return `${ring}<circle cx="${at}" cy="${down}" r="${MARK}" fill="var(--raised)" stroke="${stroke}" stroke-width="2"/><text x="${at}" y="${down + 4}" text-anchor="middle" font-size="11.5" font-weight="600" font-family="'Public Sans', sans-serif" fill="var(--ink)">${escaped(firstOf(name))}</text>`;
  });
  const names = items.map(({ name }) => `${firstOf(name)}: ${name}`).join(', ');
  return {
    svg: `<svg width="${WIDTH}" height="${height}"><clipPath id="glass"><rect width="${WIDTH}" height="${height}"/></clipPath><g clip-path="url(#glass)"><rect width="${WIDTH}" height="${height}" fill="var(--shoal-1)"/>${marks.join('')}</g><rect x="0.5" y="0.5" width="${WIDTH - 1}" height="${height - 1}" fill="none" stroke="var(--edge)"/></svg>`,
    width: WIDTH,
    height,
    summary,
    legend: [
      names === '' ? '' : `${names}.`,
      'Back pane above, front below. A ring is what a coral reaches at night.',
    ]
      .filter((part) => part !== '')
      .join(' '),
  };
}
