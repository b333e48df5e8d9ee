import * as z from 'zod';
import { instantSchema } from '../records/common';
import { shortKeySchema } from '../records/keys';
import { instant } from '../time/zone';
import { wantedSchema, type CarryHead } from './head';
import { deviceSchema } from './device';
import { monthsSchema, type Months } from './months';

/** What another device held when it made the last carry that was taken over here. */
const receiptSchema = deviceSchema.extend({
  at: instantSchema,
  months: monthsSchema,
  wants: wantedSchema,
});
export type Receipt = z.infer<typeof receiptSchema>;

/** Receipts by the device that they are of. */
export const receiptsSchema = z.record(shortKeySchema, receiptSchema);
export type Receipts = z.infer<typeof receiptsSchema>;

/** Devices that are remembered: the one that was heard of longest ago goes first. */
const MOST_DEVICES = 12;

/** The receipts with what a carry says of its device, unless a newer one said so already. */
export function withReceipt(
  receipts: Receipts,
  { from, madeAt, months, wants }: CarryHead,
): Receipts {
  const known = receipts[from.id];
  if (known && instant(known.at) >= instant(madeAt)) return receipts;
  const all = { ...receipts, [from.id]: { ...from, at: madeAt, months, wants } };
  return Object.fromEntries(
    newestFirst(all)
      .slice(0, MOST_DEVICES)
      .map((one) => [one.id, one]),
  );
}

/** Whether a device held all that a log holds. @param months of that log */
export function holdsAll(receipt: Pick<Receipt, 'months'>, months: Months): boolean {
  return Object.keys(months).every((month) => months[month] === receipt.months[month]);
}

/**
 * What a device is called here: two computers are both called so until somebody names them.
 * @param own what this device is called
 */
export function calledHere({ name }: Pick<Receipt, 'name'>, own: string): string {
  return name.trim().toLowerCase() === own.trim().toLowerCase() ? `the other ${name}` : name;
}

/** The devices that were heard of, the last one first. */
export function newestFirst(receipts: Receipts): Receipt[] {
  return Object.values(receipts).sort((a, b) => instant(b.at) - instant(a.at));
}
