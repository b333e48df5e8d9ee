import { sheetWorker } from './client';
import type { SheetAnswer, SheetRequest } from './messages';

/** A worker that answers when it is told to, in the order in which it was asked. */
class SlowWorker {
  static all: SlowWorker[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked = 0;
  ended = false;

  constructor() {
    SlowWorker.all.push(this);
  }

  postMessage(): void {
    this.asked += 1;
  }

  terminate(): void {
    this.ended = true;
  }

  answer(message: SheetAnswer): void {
    if (!this.ended) this.onmessage?.({ data: message });
  }
}

const again = { ask: 'read', source: { from: 'before' }, mapping: null } as unknown as SheetRequest;
const fresh = { ...again, source: { from: 'paste', text: '' } } as SheetRequest;
const refused = (why: string): SheetAnswer => ({ kind: 'refused', why });

describe('asking for a sheet', () => {
  beforeEach(() => {
    SlowWorker.all = [];
    Object.assign(globalThis, { Worker: SlowWorker, window: { location: { href: 'http://a/' } } });
  });
  afterEach(() => {
    Object.assign(globalThis, { Worker: undefined, window: undefined });
  });

  it('gives the last question its own answer, and those before it none', async () => {
    const worker = sheetWorker();
    const shares: number[] = [];
    const [first, second, third] = [
      worker.ask(again),
      worker.ask(again),
      worker.ask(again, (share) => shares.push(share)),
    ];
    const [slow] = SlowWorker.all;
    slow?.answer({ kind: 'progress', share: 0.1 });
    slow?.answer(refused('first'));
    slow?.answer(refused('second'));
    slow?.answer({ kind: 'progress', share: 0.7 });
    slow?.answer(refused('third'));
    expect(await Promise.all([first, second, third])).toEqual([null, null, refused('third')]);
    expect(shares).toEqual([0.7]);
    expect(SlowWorker.all).toHaveLength(1);
  });

  it('ends what is being read for another sheet, and when it is stopped', async () => {
    const worker = sheetWorker();
    const [first, second] = [worker.ask(fresh), worker.ask(fresh)];
    expect(await first).toBeNull();
    expect(SlowWorker.all.map(({ ended }) => ended)).toEqual([true, false]);
    worker.stop();
    expect(await second).toBeNull();
    const third = worker.ask(fresh);
    SlowWorker.all.at(-1)?.answer(refused('third'));
    expect(await third).toEqual(refused('third'));
    const damaged = worker.ask(fresh);
    SlowWorker.all.at(-1)?.onmessage?.({ data: { kind: 'read', result: 'none' } });
    expect(await damaged).toMatchObject({ kind: 'refused' });
  });
});
