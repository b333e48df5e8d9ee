import { createServer as httpServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { Household } from '../../server/instruments/household';
import { instrumentsRouter, MOUNTED, type MountOptions } from '../../server/instruments/mount';
import { Pairing } from '../../server/instruments/pairing';

export const NOW = Date.parse('2026-03-02T12:00:00Z');
export const MINUTE = 60_000;

export interface Setting {
  household: Household;
  pairing: Pairing;
  app: express.Express;
  /** Lets time pass. */
  pass: (ms: number) => void;
  logged: string[];
  token: (instrument: string) => Promise<string>;
}

/** Made-up instruments behind their routes, with a clock that a test moves and a log that it reads. */
export function setting(more: Partial<MountOptions> = {}): Setting {
  let now = NOW;
  const household = new Household({ seed: 3, pastDays: 0, speed: 1 }, now);
  const pairing = new Pairing(null);
  const logged: string[] = [];
  const log = pino({ level: 'info' }, { write: (line: string) => void logged.push(line) });
  const app = express();
  const options = { household, pairing, relayed: [], log, now: () => now, ...more };
  app.use(MOUNTED, instrumentsRouter(options));
  return {
    household,
    pairing,
    app,
    logged,
    pass: (ms) => {
      now += ms;
      household.monitor.advance(now);
    },
    token: async (instrument) => {
      const { code } = pairing.codeOf(instrument, now);
      const answer = await request(app).post(`${MOUNTED}/${instrument}/pair`).send({ code });
      return (answer.body as { token: string }).token;
    },
  };
}

export const bearer = (token: string) => ({ Authorization: `Bearer ${token}` });

/** Serves an app for as long as something runs. */
export async function listening<T>(
  app: express.Express,
  run: (base: string) => Promise<T>,
): Promise<T> {
  const server: Server = await new Promise((resolve) => {
    const made = httpServer(app).listen(0, '127.0.0.1', () => resolve(made));
  });
  try {
    return await run(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
  } finally {
    const closed = new Promise((resolve) => server.close(resolve));
    server.closeAllConnections();
    await closed;
  }
}

/** Reads a stream until a text has been seen. */
export async function heard(
  reader: ReadableStreamDefaultReader<Uint8Array>,
  until: (text: string) => boolean,
): Promise<string> {
  const decoder = new TextDecoder();
  let text = '';
  while (!until(text)) {
    const { done, value } = await reader.read();
    if (done) break;
    text += decoder.decode(value, { stream: true });
  }
  return text;
}
