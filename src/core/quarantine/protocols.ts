import * as z from 'zod';
import { protocolSchema, type Protocol } from '../records/schema/protocol';
import type { BatchClock } from './clock/clock';
import protocols from './protocols.json';

/** The ways of quarantine, the usual one first; a wrong row does not pass the tests. */
export const PROTOCOLS: readonly Protocol[] = z.array(protocolSchema).parse(protocols);

/** The ways that are for a kind of animal, the keeper's own after ours. */
export function protocolsFor(
  kind: Protocol['for'][number],
  own: readonly Protocol[] = [],
): Protocol[] {
  return [...PROTOCOLS, ...own].filter((protocol) => protocol.for.includes(kind));
}

/** A protocol by its id, the keeper's own among them; the usual one for an id that is gone. */
export function protocolOf(id: string, own: readonly Protocol[] = []): Protocol {
  const found = [...own, ...PROTOCOLS].find((protocol) => protocol.id === id) ?? PROTOCOLS[0];
  if (!found) throw new RangeError('There are no protocols.');
  return found;
}

/**
 * The stages that a batch is in: those that began last by its clear days, of which several may run at once; what
 * is done on a sign, while one stands; what comes after a figure was held, once it was.
 */
export function stagesNow(
  { stages }: Pick<Protocol, 'stages'>,
  { daysClear, standing, held }: Pick<BatchClock, 'daysClear' | 'standing' | 'held'>,
): Protocol['stages'] {
  const sign = standing.some(({ expected }) => !expected);
  const after = held !== null && held.done !== null ? stages.filter((one) => one.afterHeld) : [];
  const dated = stages.filter(({ onSign, afterHeld }) => !onSign && !afterHeld);
  const began = Math.max(...dated.flatMap(({ fromDay }) => (fromDay <= daysClear ? fromDay : [])));
  return [
    ...(sign ? stages.filter(({ onSign }) => onSign) : []),
    ...(after.length > 0 ? after : dated.filter(({ fromDay }) => fromDay === began)),
  ];
}
