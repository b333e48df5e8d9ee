import * as z from 'zod';
import { FILE_VERSION, parseRecords } from '../core/records/file/parse';
import type { Revision } from '../core/records/schema/revision';

const messageSchema = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('acts'), version: z.int(), revisions: z.array(z.unknown()) }),
  z.looseObject({ kind: z.literal('wiped') }),
  z.looseObject({ kind: z.literal('moved') }),
]);

export interface TabChannel {
  tell(revisions: readonly Revision[]): void;
  tellWiped(): void;
  /** That the clock of a practice log was moved on: it lies in the store. */
  tellMoved(): void;
  close(): void;
}

export interface TabListener {
  acts: (revisions: Revision[]) => void;
  wiped: () => void;
  moved: () => void;
  /** Something was saved that cannot be understood from the message: the store has to be read. */
  unclear: () => void;
}

/** What a message comes to: its records, or that they must be looked up. */
export function hear(data: unknown, on: TabListener): void {
  const message = messageSchema.safeParse(data);
  if (!message.success) return on.unclear();
  if (message.data.kind === 'wiped') return on.wiped();
  if (message.data.kind === 'moved') return on.moved();
  // A tab of another version writes what it writes in its own format; the store knows how to read it.
  if (message.data.version !== FILE_VERSION) return on.unclear();
  const parsed = parseRecords(
    message.data.revisions.map((raw) => ({ raw, version: FILE_VERSION })),
  );
  if (parsed.refused.length > 0) return on.unclear();
  on.acts(parsed.records);
}

/** Tells the other tabs of this browser what was saved, and hears it from them. */
export function openTabChannel(name: string, on: TabListener): TabChannel {
  if (typeof BroadcastChannel === 'undefined') {
    const nobody = () => undefined;
    return { tell: nobody, tellWiped: nobody, tellMoved: nobody, close: nobody };
  }
  const channel = new BroadcastChannel(`zoarium-${name}`);
  channel.onmessage = (event: MessageEvent<unknown>) => hear(event.data, on);
  return {
    tell: (revisions) =>
      channel.postMessage({ kind: 'acts', version: FILE_VERSION, revisions: [...revisions] }),
    tellWiped: () => channel.postMessage({ kind: 'wiped' }),
    tellMoved: () => channel.postMessage({ kind: 'moved' }),
    close: () => channel.close(),
  };
}
