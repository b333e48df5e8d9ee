import * as z from 'zod';
import { revisionSchema, type Revision } from '../core/records/schema/revision';

const messageSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('acts'), revisions: z.array(revisionSchema) }),
  z.strictObject({ kind: z.literal('wiped') }),
]);
type Message = z.infer<typeof messageSchema>;

export interface TabChannel {
  tell(revisions: readonly Revision[]): void;
  tellWiped(): void;
  close(): void;
}

/** Tells the other tabs of this browser what was saved, and hears it from them. */
export function openTabChannel(
  name: string,
  on: { acts: (revisions: Revision[]) => void; wiped: () => void },
): TabChannel {
  if (typeof BroadcastChannel === 'undefined') {
    return { tell: () => undefined, tellWiped: () => undefined, close: () => undefined };
  }
  const channel = new BroadcastChannel(`zoarium-${name}`);
  channel.onmessage = (event: MessageEvent<unknown>) => {
    const message = messageSchema.safeParse(event.data);
    if (!message.success) return;
    if (message.data.kind === 'acts') on.acts(message.data.revisions);
    else on.wiped();
  };
  const post = (message: Message) => channel.postMessage(message);
  return {
    tell: (revisions) => post({ kind: 'acts', revisions: [...revisions] }),
    tellWiped: () => post({ kind: 'wiped' }),
    close: () => channel.close(),
  };
}
