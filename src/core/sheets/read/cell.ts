import { numberIn, type Mark } from './number';

/** What a cell of a test says, before anybody asked which kit it was read from. */
export type CellValue =
  | { is: 'nothing' }
  /** @property about whether the keeper marked it as a guess */
  | { is: 'number'; value: number; unit: string; about: boolean }
  | { is: 'under' | 'over'; value: number; unit: string }
  | { is: 'between'; low: number; high: number; unit: string }
  /** A colour was seen, and it was less than the first step. */
  | { is: 'trace' }
  | { is: 'noNumber' };

/** What people put where nothing was tested. */
const NOT_TESTED = /^(|[-–—.]+|not tested|untested|nt|skipped)$/;
const TRACE = /^(trace|traces|nd|n\.d\.|not detected)$/;
const FIGURE = "([-+−]?[\\d.,][\\d.,\u00A0\u202F’' ]*)";
const UNIT = '([a-zµμ°%‰/][^\\d<>]*\\d?[^\\d<>]*)?';
const UNDER = new RegExp(`^(?:<=?|≤|under|below|less than)\\s*${FIGURE}${UNIT}$`);
const OVER = new RegExp(`^(?:>=?|≥|over|above|more than)\\s*${FIGURE}${UNIT}$`);
const PLUS = new RegExp(`^${FIGURE}\\+\\s*${UNIT}$`);
const BETWEEN = new RegExp(`^(?:between\\s+)?${FIGURE}(?:-|–|—|/|to|and)\\s*${FIGURE}${UNIT}$`);
const ABOUT = new RegExp(`^(?:~|≈|about|ca\\.?|approx\\.?)\\s*${FIGURE}${UNIT}$`);
const ASKED = new RegExp(`^${FIGURE}${UNIT}\\?$`);
const NUMBER = new RegExp(`^${FIGURE}${UNIT}$`);

/** Reads one cell of a test. A word that is no figure is never read as zero. */
export function cellValue(text: string, mark: Mark): CellValue {
  const words = text.normalize('NFKC').trim().toLowerCase();
  if (NOT_TESTED.test(words)) return { is: 'nothing' };
  if (TRACE.test(words)) return { is: 'trace' };
  const plain = NUMBER.exec(words);
  const plainly = plain && figure(plain, mark);
  if (plainly) return { is: 'number', ...plainly, about: false };
  for (const [shape, is] of [
    [UNDER, 'under'],
    [OVER, 'over'],
    [PLUS, 'over'],
  ] as const) {
    const found = shape.exec(words);
    const read = found && figure(found, mark);
    if (read) return { is, ...read };
  }
  for (const shape of [ABOUT, ASKED]) {
    const found = shape.exec(words);
    const read = found && figure(found, mark);
    if (read) return { is: 'number', ...read, about: true };
  }
  const ends = BETWEEN.exec(words);
  const low = ends && numberIn(ends[1] ?? '', mark);
  const high = ends && numberIn(ends[2] ?? '', mark);
  if (ends && low !== null && high !== null && low < high) {
    return { is: 'between', low, high, unit: (ends[3] ?? '').trim() };
  }
  return { is: 'noNumber' };
}

function figure(found: RegExpExecArray, mark: Mark): { value: number; unit: string } | null {
  const value = numberIn(found[1] ?? '', mark);
  return value === null ? null : { value, unit: (found[2] ?? '').trim() };
}
