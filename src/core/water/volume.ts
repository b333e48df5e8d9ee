import type { Interval } from '../math/interval';
import type { TankVolume } from '../records/schema/tank';

/** Bulk density of a sand bed, kg/L. */
export const SAND_BULK = 1.5;
/** Density of the grains themselves, kg/L: a bed displaces about half its bulk. */
export const SAND_GRAIN = 2.8;
/** Room for water in a shell known by its label alone: the label counts the glass and the air above. */
const LABEL_TO_WATER = 0.92;
/** Height assumed for a shell known by its label alone, cm; only the sand needs it. */
const LABEL_HEIGHT = 45;
/** Rock density the keeper is asked for, kg per litre of room it takes: porous rock. */
export const DEFAULT_ROCK_DENSITY = 2;

/** Water below the rim where nobody measured it, cm. */
export const USUAL_GAP = 4;

/** Thickness of glass that tanks of a height usually have, mm, until it is measured. */
export function usualGlass(height: number): number {
  if (height <= 35) return 6;
  if (height <= 45) return 8;
  if (height <= 55) return 10;
  return height <= 65 ? 12 : 15;
}

/** How far each part may be off: shares for measured lengths, for a label and for a counted fill. */
const SPREAD = { dimensions: 0.02, label: 0.05, litres: 0.02, rate: 0.05, displacement: 0.25 };

export interface VolumeLine {
  label: string;
  /** Litres it adds (positive) or takes (negative). */
  litres: number;
}

export interface NetVolume {
  /** Litres in the outer shell, as labels count them. */
  gross: number;
  /** Litres of water that a dose mixes into. */
  net: number;
  /** Where the net volume lies if measurements and densities are as far off as is usual. */
  range: Interval;
  /** The sum that led there, line by line. */
  lines: VolumeLine[];
  /** What the sum came to by geometry, when the fill was measured instead. */
  byGeometry: number;
  basis: 'dimensions' | 'label' | 'fill';
}

interface Shell {
  gross: number;
  lines: VolumeLine[];
  water: number;
  footprint: number;
}

function shellOf(shell: TankVolume['shell']): Shell {
  if (shell.by === 'label') {
    const water = shell.litres * LABEL_TO_WATER;
    return {
      gross: shell.litres,
      water,
      footprint: (shell.litres * 1000) / LABEL_HEIGHT,
      lines: [
        { label: 'On the label', litres: shell.litres },
        { label: 'Glass and the gap above the water, about', litres: water - shell.litres },
      ],
    };
  }
  const { length, width, height, glass, fillGap } = shell.box;
  const g = glass / 10;
  const inner = Math.max(0, length - 2 * g) * Math.max(0, width - 2 * g);
  const gross = (length * width * height) / 1000;
  const full = (inner * Math.max(0, height - g)) / 1000;
  const water = (inner * Math.max(0, height - g - fillGap)) / 1000;
  return {
    gross,
    water,
    footprint: inner,
    lines: [
      { label: 'Outside of the glass', litres: gross },
      { label: 'Taken by the glass', litres: full - gross },
      { label: 'Gap above the water line', litres: water - full },
    ],
  };
}

function sumpLitres(sump: TankVolume['sump']): number {
  if (!sump) return 0;
  return sump.by === 'litres' ? sump.litres : (sump.length * sump.width * sump.waterDepth) / 1000;
}

/**
 * Net water volume in litres, with its working. Rock takes mass / density; a sand bed of area ×
 * depth weighs 1.5 kg/L in bulk and displaces mass / 2.8 kg/L. A fill that was measured wins over
 * geometry, which stays beside it as the check.
 */
export function netVolume(volume: TankVolume): NetVolume {
  const shell = shellOf(volume.shell);
  const rock = volume.rockKg / volume.rockDensity;
  const sand = (shell.footprint * volume.sandDepth * SAND_BULK) / SAND_GRAIN / 1000;
  const sump = sumpLitres(volume.sump);
  const lines: VolumeLine[] = [...shell.lines];
  if (rock > 0) lines.push({ label: 'Displaced by rock', litres: -rock });
  if (sand > 0) lines.push({ label: 'Displaced by sand', litres: -sand });
  if (sump > 0) lines.push({ label: 'Water in the sump', litres: sump });
  const byGeometry = Math.max(0.1, shell.water - rock - sand + sump);
  const off =
    shell.water * SPREAD[volume.shell.by] + (rock + sand) * SPREAD.displacement + sump * 0.1;
  if (!volume.measuredAtFill) {
    return {
      gross: shell.gross,
      net: byGeometry,
      range: { low: Math.max(0.1, byGeometry - off), high: byGeometry + off },
      lines,
      byGeometry,
      basis: volume.shell.by,
    };
  }
  const fill = volume.measuredAtFill;
  const net = fill.by === 'litres' ? fill.litres : fill.minutes * fill.litresPerMinute;
  return {
    gross: shell.gross,
    net,
    range: { low: net * (1 - SPREAD[fill.by]), high: net * (1 + SPREAD[fill.by]) },
    lines: [
      ...lines,
      { label: 'Comes to, by geometry', litres: byGeometry },
      { label: 'Measured at the fill, and used', litres: net },
    ],
    byGeometry,
    basis: 'fill',
  };
}

/**
 * What looks wrong about a volume, in words; null when nothing does. A fill far from its geometry
 * means that one of the two was mistyped, and every dose depends on it.
 */
export function volumeDoubt(volume: TankVolume): string | null {
  const { net, byGeometry, gross, basis } = netVolume(volume);
  if (basis === 'fill') {
    const ratio = net / byGeometry;
    if (ratio < 0.75 || ratio > 1.33) {
      return 'The fill and the geometry differ by more than a quarter. Check both: every dose is sized by this.';
    }
    return null;
  }
  if (byGeometry <= gross * 0.25) {
    return 'Rock, sand and glass leave less than a quarter for water. Check their figures.';
  }
  return null;
}
