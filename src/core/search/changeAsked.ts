/** Letters of a text that are looked at. */
const LETTERS = 80;

const plain = (text: string) => text.slice(0, LETTERS).toLowerCase();

/** Litres and a share of the water that a text names. */
export interface ChangeAsked {
  litres: number | null;
  percent: number | null;
}

const LITRES_A_GALLON = 3.785411784;
const number = (text: string) => Number(text.replace(',', '.'));

/**
 * "12 l at 25 %", "wc 20%", "change 5 gal": the figures of a water change; null for a text without any, or
 * with a share that no change can have.
 */
export function changeAsked(text: string): ChangeAsked | null {
  const typed = plain(text);
  const volume = /(\d+(?:[.,]\d+)?)\s*(l|litres?|liters?|gal|gallons?)\b/.exec(typed);
  const share = /(\d+(?:[.,]\d+)?)\s*(?:%|percent\b|per cent\b)/.exec(typed);
  const [, much = '', unit = ''] = volume ?? [];
  const litres = volume ? number(much) * (unit.startsWith('g') ? LITRES_A_GALLON : 1) : null;
  const percent = share ? number(share[1] ?? '') : null;
  if (percent !== null && (percent <= 0 || percent > 100)) return null;
  if (litres !== null && litres <= 0) return null;
  const named = /\b(wc|water ?change|change)\b/.test(typed);
  return percent !== null || (litres !== null && named) ? { litres, percent } : null;
}
