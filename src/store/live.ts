import { useSyncExternalStore } from 'react';
import * as z from 'zod';
import { CHANNEL_IDS, SWITCH_IDS } from '../core/monitor/channels';

const liveSchema = z.object({
  state: z.enum(['connecting', 'live', 'lost', 'refused']),
  /** Why it is not live, in words for the keeper. */
  why: z.string(),
  /** What its probes showed last, canonical, and when; null before anything was heard. */
  values: z.partialRecord(z.enum(CHANNEL_IDS), z.number()),
  at: z.number().nullable(),
  on: z.array(z.enum(SWITCH_IDS)),
  /** ms that its clock is behind ours. */
  behind: z.number(),
  /** The newest minute that is stored: charts ask again when it moves on. */
  stored: z.number(),
  /** When it was paired last: whoever holds its stream begins anew then. */
  pairedAt: z.number(),
  /** A service pause lasts until then; 0 for none. */
  pausedUntil: z.number(),
});
/** How a connection stands right now: kept nowhere, told to other tabs. */
export type Live = z.infer<typeof liveSchema>;

const NOTHING: Live = {
  state: 'connecting',
  why: '',
  values: {},
  at: null,
  on: [],
  behind: 0,
  stored: 0,
  pairedAt: 0,
  pausedUntil: 0,
};

const lives = new Map<string, Live>();
const listeners = new Set<() => void>();
const messageSchema = z.union([
  z.object({ connection: z.string(), live: liveSchema.partial() }),
  z.object({ asks: z.literal(true) }),
]);
/** What this tab was the one to tell: it answers for it where another tab opens. */
const own = new Set<string>();

let channel: BroadcastChannel | null = null;
function theChannel(): BroadcastChannel | null {
  if (channel || typeof BroadcastChannel === 'undefined') return channel;
  channel = new BroadcastChannel('zoarium-live');
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const message = messageSchema.safeParse(data);
    if (!message.success) return;
    if ('asks' in message.data) for (const id of own) say(id, liveOf(id));
    else change(message.data.connection, message.data.live);
  };
  channel.postMessage({ asks: true });
  return channel;
}

const say = (connection: string, live: Partial<Live>): void =>
  theChannel()?.postMessage({ connection, live });

function change(connection: string, part: { [K in keyof Live]?: Live[K] | undefined }): void {
  const told = Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined));
  lives.set(connection, { ...liveOf(connection), ...told });
  for (const listener of listeners) listener();
}

export const liveOf = (connection: string): Live => lives.get(connection) ?? NOTHING;

/** Says how a connection stands, here and in the other tabs. */
export function tellLive(connection: string, part: Partial<Live>): void {
  // A pause may be asked for in any tab; all else comes from the one that holds the stream.
  if (part.state !== undefined) own.add(connection);
  change(connection, part);
  say(connection, part);
}

function subscribe(listener: () => void): () => void {
  theChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How a connection stands, whichever tab holds its stream. */
export function useLive(connection: string): Live {
  return useSyncExternalStore(subscribe, () => liveOf(connection));
}
