import type { TankPart, TankVolume } from '../records/schema/tank';
import { formatFixed } from '../units/format';
import { netVolume } from './volume';

/** Rock in a tank as people usually have it, kg for each litre of the shell. */
const USUAL_ROCK = { low: 0.06, high: 0.15 };
/** Depth of a sand bed as people usually have it, cm. */
const USUAL_SAND = { low: 2, high: 5 };

const round = (value: number) => formatFixed(value, Math.abs(value) < 10 ? 1 : 0);

/** What asks for a part of a tank's description. */
export const TELL_WORDS: Record<TankPart, string> = {
  rock: 'Say what rock and sand are in it',
  sump: 'Say whether there is a sump',
  fill: 'Say what went in at the fill',
  light: 'Say when the light is on',
};

/** What another volume does to what is sized by it, in words: "17 L less water, doses 8 % smaller". */
export function effectWords(before: TankVolume, after: TankVolume, unit: 'L' | 'gal'): string {
  const from = netVolume(before).net;
  const to = netVolume(after).net;
  const litres = Math.abs(to - from) / (unit === 'gal' ? 3.785411784 : 1);
  const share = Math.abs(to / from - 1) * 100;
  if (share < 0.5) return 'The same water, the same doses.';
  const way = to < from ? ['less', 'smaller'] : ['more', 'larger'];
  return `${round(litres)} ${unit} ${way[0]} water, doses ${formatFixed(share, 0)} % ${way[1]}.`;
}

/**
 * What telling a part of a tank usually changes, in words: a range, since nothing of it is known.
 * @returns null for a part that changes no sum
 */
export function usualEffect(part: TankPart, volume: TankVolume): string | null {
  if (part === 'fill') return 'Litres counted at the fill are surer than any geometry.';
  if (part === 'sump') return 'A sump adds its water: doses are larger by as much.';
  if (part === 'light') return null;
  const { net, gross } = netVolume(volume);
  const share = (end: 'low' | 'high') => {
    const usual = { ...volume, rockKg: gross * USUAL_ROCK[end], sandDepth: USUAL_SAND[end] };
    return (1 - netVolume(usual).net / net) * 100;
  };
  return `Rock and sand usually take ${formatFixed(share('low'), 0)} to ${formatFixed(share('high'), 0)} % of the water: doses are smaller by as much.`;
}
