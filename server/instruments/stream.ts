import type { Response } from 'express';
import type { MonitorEvent, PlayedMonitor } from './standIns/monitor';

/** A comment so often keeps a quiet connection open and shows that it is. */
const BEAT_MS = 15_000;
/** Bytes that may wait for a reader who is too slow: it is cut off and fetches by number what it missed. */
const MOST_WAITING = 512 * 1024;

const written = ({ event, data }: MonitorEvent): string =>
  `event: ${event}\n${event === 'sample' ? `id: ${data.number}\n` : ''}data: ${JSON.stringify(data)}\n\n`;

/** Sends what a monitor measures as server-sent events, until either side ends. */
export function streamTo(monitor: PlayedMonitor, response: Response): void {
  response.writeHead(200, {
    'Content-Type': 'text/event-stream; charset=utf-8',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  const send = (text: string) => {
    if (response.writableLength > MOST_WAITING) end();
    else response.write(text);
  };
  const beat = setInterval(() => send(': here\n\n'), BEAT_MS);
  const stop = monitor.listen({ hear: (event) => send(written(event)), end: () => end() });
  const end = () => {
    clearInterval(beat);
    stop();
    response.destroy();
  };
  response.on('close', end);
}
