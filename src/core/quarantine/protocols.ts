import * as z from 'zod';
import { protocolSchema, type Protocol } from '../records/schema/protocol';
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
 * The stages that a day of a protocol lies in: those that began last, of which several may run at once; and
 * what is done on a sign, while one stands.
 */
export function stagesOn(
  { stages }: Pick<Protocol, 'stages'>,
  day: number,
  sign = false,
): Protocol['stages'] {
  const dated = stages.filter(({ onSign }) => !onSign);
  const began = Math.max(...dated.flatMap(({ fromDay }) => (fromDay <= day ? fromDay : [])));
  return [
    ...(sign ? stages.filter(({ onSign }) => onSign) : []),
    ...dated.filter(({ fromDay }) => fromDay === began),
  ];
}
