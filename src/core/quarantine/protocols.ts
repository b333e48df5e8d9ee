import * as z from 'zod';
import protocols from './protocols.json';

const protocolSchema = z.strictObject({
  id: z.string().min(1).max(60),
  name: z.string().min(2).max(60),
  /** Days clear of any sign before its fish are released; 0 for none at all. */
  days: z.int().min(0).max(120),
  /** What choosing it trades. */
  trades: z.string().min(10).max(300),
});
export type Protocol = z.infer<typeof protocolSchema>;

/** The ways of quarantine, the usual one first; a wrong row does not pass the tests. */
export const PROTOCOLS: readonly Protocol[] = z.array(protocolSchema).parse(protocols);

export function protocolOf(id: string): Protocol {
  const found = PROTOCOLS.find((protocol) => protocol.id === id) ?? PROTOCOLS[0];
  if (!found) throw new RangeError('There are no protocols.');
  return found;
}
