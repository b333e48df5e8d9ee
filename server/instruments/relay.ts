import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import type { Request, Response } from 'express';
import { instrumentsSchema, PROTOCOL, type Instrument } from '../../src/core/monitor/protocol';

/** So long another address may take to begin its answer. */
const PATIENCE_MS = 10_000;
/** What of a request is handed on: nothing that says who asks but the token. */
const HANDED_ON = ['authorization', 'content-type', 'accept', 'last-event-id'] as const;

/** An address that the server was given at its start. */
export interface Relayed {
  /** Stands before the ids of its instruments: `r1-`. */
  prefix: string;
  base: string;
}

/**
 * Addresses to relay, from a list written with commas.
 * @throws Error for what is no address of HTTP
 */
export function relayedFrom(written: string | undefined): Relayed[] {
  const addresses = (written ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
  return addresses.map((address, n) => {
    const url = URL.canParse(address) ? new URL(address) : null;
    if (!url || !/^https?:$/.test(url.protocol) || url.username || url.search || url.hash)
      throw new Error(
        `INSTRUMENTS has "${address}", which is no address. Give one as http://192.168.1.20:8090.`,
      );
    return { prefix: `r${n + 1}-`, base: `${url.href.replace(/\/$/, '')}/instruments/${PROTOCOL}` };
  });
}

/** The instruments of every address; those of one that does not answer are left out. */
export async function instrumentsElsewhere(relayed: readonly Relayed[]): Promise<Instrument[]> {
  const lists = await Promise.all(
    relayed.map(async ({ prefix, base }) => {
      try {
        const answer = await fetch(`${base}/`, {
          redirect: 'error',
          signal: AbortSignal.timeout(PATIENCE_MS),
        });
        const { instruments } = instrumentsSchema.parse(await answer.json());
        return instruments.map((one) => ({ ...one, id: prefix + one.id }));
      } catch {
        return [];
      }
    }),
  );
  return lists.flat();
}

const problem = (response: Response, status: number, error: string) => {
  if (response.headersSent) response.destroy();
  else response.status(status).json({ error });
};

/** Hands a request on to the address that its instrument lies behind. */
export async function relay(
  { prefix, base }: Relayed,
  instrument: string,
  rest: string,
  request: Request,
  response: Response,
): Promise<void> {
  const stop = new AbortController();
  response.on('close', () => stop.abort());
  const begins = setTimeout(() => stop.abort(), PATIENCE_MS);
  try {
    const body = request.method === 'POST' ? JSON.stringify(request.body ?? {}) : undefined;
    const headers = Object.fromEntries(
      HANDED_ON.flatMap((name) => {
        const value = request.get(name);
        return value === undefined ? [] : [[name, value]];
      }),
    );
    const answer = await fetch(`${base}/${instrument.slice(prefix.length)}${rest}`, {
      method: request.method,
      headers,
      ...(body === undefined ? {} : { body }),
      redirect: 'error',
      signal: stop.signal,
    });
    clearTimeout(begins);
    response.status(answer.status);
    const type = answer.headers.get('content-type');
    if (type) response.setHeader('Content-Type', type);
    response.setHeader('Cache-Control', 'no-store, no-transform');
    if (!answer.body) return void response.end();
    const source = Readable.fromWeb(answer.body as ReadableStream);
    source.on('error', () => response.destroy());
    source.pipe(response);
  } catch {
    problem(
      response,
      502,
      'The address behind this instrument does not answer. See whether it is switched on.',
    );
  } finally {
    clearTimeout(begins);
  }
}
