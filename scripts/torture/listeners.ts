import os from 'node:os';
import path from 'node:path';
import { createParser } from 'eventsource-parser';
import { pairedSchema, sampleSchema } from '../../src/core/monitor/protocol';
import { createServer } from '../../server/app';
import { standIns } from '../../server/instruments/run';
import { listenFrom } from '../../server/listen';

interface Heard {
  /** Numbers of samples, as they came. */
  numbers: number[];
  /** The stream ended before it was left. */
  cutOff: boolean;
}

async function listen(address: string, token: string, signal: AbortSignal): Promise<Heard> {
  const heard: Heard = { numbers: [], cutOff: false };
  const parser = createParser({
    onEvent: ({ event, data }) => {
      if (event === 'sample') heard.numbers.push(sampleSchema.parse(JSON.parse(data)).number);
    },
  });
  try {
    const answer = await fetch(address, { headers: { Authorization: `Bearer ${token}` }, signal });
    const decoder = new TextDecoder();
    for await (const bytes of answer.body ?? [])
      parser.feed(decoder.decode(bytes, { stream: true }));
    heard.cutOff = true;
  } catch {
    heard.cutOff = !signal.aborted;
  }
  return heard;
}

/**
 * So many readers of one monitor for so long by the clock, while it tells a sample a second: how many samples each
 * heard, how many are missing between its first and its last, and who was cut off.
 */
export async function torturedByListeners(readers: number, seconds: number): Promise<object> {
  const instruments = standIns({
    // At sixty times its pace it does not come to now within the time, and its past would last so long.
    DAYS: String((2 * seconds) / 1440),
    SPEED: '60',
    TOKENS: path.join(os.tmpdir(), `zoarium-listeners-${process.pid}.json`),
  });
  const { server, port } = await listenFrom(createServer('dist', instruments), '127.0.0.1', 0);
  const base = `http://127.0.0.1:${port}${instruments.path}/monitor`;
  const screen = await (await fetch(`${base}/screen`)).text();
  const [, code] = /data-code="(\d{6})"/.exec(screen) ?? [];
  const paired = await fetch(`${base}/pair`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ code }),
  });
  const { token } = pairedSchema.parse(await paired.json());
  const end = new AbortController();
  const all = Array.from({ length: readers }, () => listen(`${base}/stream`, token, end.signal));
  await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
  end.abort();
  const heard = await Promise.all(all);
  instruments.stop();
  server.close();
  const counts = heard.map(({ numbers }) => numbers.length);
  const missing = heard.map(({ numbers }) => {
    const [first, last] = [numbers[0] ?? 0, numbers.at(-1) ?? -1];
    return last - first + 1 - new Set(numbers).size;
  });
  return {
    readers,
    seconds,
    samplesFewest: Math.min(...counts),
    samplesMost: Math.max(...counts),
    missing: missing.reduce((sum, n) => sum + n, 0),
    twice: heard.reduce((sum, { numbers }) => sum + numbers.length - new Set(numbers).size, 0),
    cutOff: heard.filter(({ cutOff }) => cutOff).length,
  };
}
