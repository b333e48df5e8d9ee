import { PARAMETERS } from '../parameters/registry';
import type { EntryBody } from '../records/kinds';
import type { Kit } from '../records/schema/kit';
import { formatPlain } from '../units/format';

/**
 * A number that was read by a kit, as the body of its entry, or what is wrong with it in words. A number
 * between two steps of a card is between them; one that a card cannot show is said so.
 * @param value in the kit's unit
 */
export function readingBy(
  kitId: string,
  { parameter, scale, unit }: Kit,
  value: number,
): EntryBody<'reading'> | string {
  const reading = { kind: 'reading', parameter, kitId, dilution: 1 } as const;
  if (scale.form === 'digital') {
    const { possible, canonicalUnit } = PARAMETERS[parameter];
    if (unit === canonicalUnit && value > possible.high) {
      return `No tank reads ${formatPlain(value)}.`;
    }
    return { ...reading, value: { form: 'digital', value, unit } };
  }
  const { steps } = scale;
  const top = steps.at(-1) ?? 0;
  if (value > top) {
    return `The card ends at ${formatPlain(top)}: write that for it and for more.`;
  }
  const high = steps.findIndex((step) => step >= value - 1e-9);
  const exact = Math.abs((steps[high] ?? 0) - value) < 1e-9;
  const low = exact ? high : Math.max(0, high - 1);
  return { ...reading, value: { form: 'card', steps: [...steps], low, high } };
}
