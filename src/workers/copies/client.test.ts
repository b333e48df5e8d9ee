import { askCopies } from './client';

interface Made {
  sent: unknown[];
  ended: boolean;
  onmessage: ((event: { data: unknown }) => void) | null;
  onerror: (() => void) | null;
}

const made: Made[] = [];
class HandWorker implements Made {
  sent: unknown[] = [];
  ended = false;
  onmessage: Made['onmessage'] = null;
  onerror: Made['onerror'] = null;
  constructor() {
    made.push(this);
  }
  postMessage(message: unknown): void {
    this.sent.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
}

const world = globalThis as unknown as { Worker?: unknown; window?: unknown };
const LIST = { kind: 'list', copies: [] };

beforeEach(() => {
  jest.useFakeTimers();
  made.length = 0;
  world.Worker = HandWorker;
  world.window = { location: { href: 'http://127.0.0.1/' } };
});
afterEach(() => {
  jest.runAllTimers();
  jest.useRealTimers();
  delete world.Worker;
  delete world.window;
});

it('asks one worker what is asked in a row, and lets it go when it is idle', async () => {
  const first = askCopies({ ask: 'list' });
  made[0]?.onmessage?.({ data: LIST });
  expect(await first).toEqual(LIST);
  jest.advanceTimersByTime(4000);
  const second = askCopies({ ask: 'forget' });
  jest.advanceTimersByTime(60_000);
  expect(made).toHaveLength(1);
  expect(made[0]?.ended).toBe(false);
  made[0]?.onmessage?.({ data: LIST });
  expect(await second).toEqual(LIST);
  jest.advanceTimersByTime(5000);
  expect(made[0]?.ended).toBe(true);
});

it('gives a second question a worker of its own while the first is at work, and keeps one of them', async () => {
  const slow = askCopies({ ask: 'folder' });
  const quick = askCopies({ ask: 'list' });
  expect(made).toHaveLength(2);
  made[1]?.onmessage?.({ data: LIST });
  expect(await quick).toEqual(LIST);
  made[0]?.onmessage?.({ data: { kind: 'folder', folder: null } });
  expect(await slow).toEqual({ kind: 'folder', folder: null });
  expect(made.map(({ ended }) => ended)).toEqual([false, true]);
});

it('says that it cannot where a worker stops, answers nonsense, or there is none', async () => {
  const stopped = askCopies({ ask: 'list' });
  made[0]?.onerror?.();
  expect(await stopped).toMatchObject({ kind: 'failed' });
  expect(made[0]?.ended).toBe(true);
  const odd = askCopies({ ask: 'list' });
  made[1]?.onmessage?.({ data: 7 });
  expect(await odd).toMatchObject({ kind: 'failed' });
  delete world.Worker;
  expect(await askCopies({ ask: 'list' })).toMatchObject({ kind: 'failed' });
});
