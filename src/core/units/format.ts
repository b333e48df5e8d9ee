import { magnitude } from '../math/magnitude';

const MINUS = '\u2212';
const THIN_SPACE = '\u202F';

/** A number with fixed decimals, a true minus sign and thin-space thousands from 10 000 on. */
export function formatFixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  const negative = value < 0 && Number(text) !== 0;
  const [whole = '', fraction] = text.split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole;
  return (negative ? MINUS : '') + grouped + (fraction === undefined ? '' : `.${fraction}`);
}

/** As formatFixed, with trailing zeros dropped: how a card prints its steps. */
export function formatPlain(value: number, maxDecimals = 3): string {
  const fixed = formatFixed(value, maxDecimals);
  return fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
}

/** A number as it would be typed again: every digit that it has, and none that is noise. */
export function formatExact(value: number): string {
  return formatPlain(Number(value.toPrecision(12)), 12);
}

/** Rounded to `digits` significant figures: for results whose size is not known beforehand. */
export function formatSignificant(value: number, digits = 2): string {
  if (value === 0) return '0';
  const decimals = Math.max(0, digits - 1 - magnitude(value));
  return formatPlain(value, Math.min(decimals, 6));
}

/**
 * What a person typed as a number: a decimal comma counts as a point, spaces are ignored.
 * Returns null for anything else, so that a slip of the thumb is never read as zero.
 */
export function parseNumber(text: string): number | null {
  const cleaned = text
    .replace(/[\s\u202F\u00A0]/g, '')
    .replace(MINUS, '-')
    .replace(',', '.');
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(cleaned)) return null;
  const value = Number(cleaned);
  return Number.isFinite(value) ? value : null;
}

/** A list in words: "a", "a and b", "a, b and c". */
export function listWords(words: readonly string[], last = 'and'): string {
  if (words.length < 2) return words[0] ?? '';
  return `${words.slice(0, -1).join(', ')} ${last} ${words[words.length - 1] ?? ''}`;
}

/** "1 tank", "2 tanks". */
export function countOf(count: number, noun: string, plural = `${noun}s`): string {
  return `${count} ${count === 1 ? noun : plural}`;
}

/** The sentence with its first letter raised. */
export function capitalise(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A figure as one says it: three digits are more than any jug or scale gives. */
export function say(value: number, digits = 3): string {
  return formatSignificant(Number(value.toPrecision(digits)), digits);
}
