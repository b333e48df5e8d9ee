import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import type { Express } from 'express';
import { relayedFrom } from '../../server/instruments/relay';
import { Instruments } from './instruments';
import { holdStream } from './monitorLink';
import { SampleStore } from './sampleStore';
import { InstrumentServer } from '../testing/instrumentServer';

const EXAMPLE = path.resolve('docs/examples/bridge.mjs');

it('a bridge of sixty lines, written from the description alone, is paired and read through the relay', async () => {
  const { bridge } = (await import(EXAMPLE)) as {
    bridge: (read: () => number, show: (code: string) => void, minute: number) => Express;
  };
  expect(readFileSync(EXAMPLE, 'utf8').trim().split('\n').length).toBeLessThanOrEqual(60);
  let code = '';
  const app = bridge(
    () => 25.4,
    (shown) => (code = shown),
    20,
  );
  const far = await new Promise<Server>((resolve) => {
    const made = app.listen(0, '127.0.0.1', () => resolve(made));
  });
  const address = `http://127.0.0.1:${(far.address() as AddressInfo).port}`;
  const server = new InstrumentServer(Date.now(), 3, relayedFrom(address));
  await server.start();
  const instruments = new Instruments(server.fetch);
  const listed = (await instruments.list()).find(({ id }) => id === 'r1-thermometer');
  expect(listed?.accuracy).toEqual({ temperature: 0.3 });
  await expect(instruments.pair('r1-thermometer', '12')).rejects.toThrow('This code is wrong.');
  const { token } = await instruments.pair('r1-thermometer', code);
  const stop = new AbortController();
  const heard: number[] = [];
  await new Promise<void>((resolve) => {
    void holdStream(
      {
        connection: 'bridge',
        instrument: 'r1-thermometer',
        token,
        instruments,
        store: new SampleStore('bridge'),
        now: () => Date.now(),
        pause: () => new Promise((go) => setImmediate(go)),
        on: {
          stored: (samples) => {
            heard.push(...samples.map(({ number }) => number));
            if (heard.length >= 5) resolve();
          },
          quick: () => undefined,
          switched: () => undefined,
          state: () => undefined,
          clock: () => undefined,
        },
      },
      stop.signal,
    );
  });
  stop.abort();
  expect(heard.slice(0, 5)).toEqual([1, 2, 3, 4, 5]);
  (app.locals as { stop: () => void }).stop();
  const closed = new Promise((resolve) => far.close(resolve));
  far.closeAllConnections();
  await closed;
  await server.stop();
});
