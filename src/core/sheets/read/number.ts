/** What stands between whole and fraction. */
export type Mark = '.' | ',';

const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
/** Digits in threes behind one sign, and perhaps a fraction behind the other. */
const IN_THREES: Record<Mark, RegExp> = {
  '.': /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/,
  ',': /^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$/,
};

/**
 * The number that a text means; null for none. Only digits in threes can be read in two ways, and only there
 * the mark decides: "0,25" is a quarter in any sheet.
 */
export function numberIn(text: string, mark: Mark): number | null {
  const bare = text.replace(/[\s\u00A0\u202F'’]/g, '').replace(/^[−–]/, '-');
  if (IN_THREES[mark].test(bare)) {
    return Number(bare.replaceAll(mark === '.' ? ',' : '.', '').replace(',', '.'));
  }
  return PLAIN.test(bare) ? Number(bare.replace(',', '.')) : null;
}

/** Whether a text is a number that the two marks read differently. */
export function dependsOnMark(text: string): boolean {
  if (!text.includes(',') && !text.includes('.')) return false;
  return numberIn(text, '.') !== numberIn(text, ',');
}
