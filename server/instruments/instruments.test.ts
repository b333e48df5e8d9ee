import { mkdtempSync, readFileSync } from 'node:fs';
import { createServer as httpServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { historySchema, sampleSchema } from '../../src/core/monitor/protocol';
import { Household } from './household';
import { instrumentsRouter, MOUNTED, type MountOptions } from './mount';
import { CODE_MS, Pairing } from './pairing';
import { relayedFrom } from './relay';

const NOW = Date.parse('2026-03-02T12:00:00Z');
const MINUTE = 60_000;

interface Setting {
  household: Household;
  pairing: Pairing;
  app: express.Express;
  /** Lets time pass. */
  pass: (ms: number) => void;
  logged: string[];
  token: (instrument: string) => Promise<string>;
}

function setting(more: Partial<MountOptions> = {}): Setting {
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

const bearer = (token: string) => ({ Authorization: `Bearer ${token}` });

async function listening<T>(app: express.Express, run: (base: string) => Promise<T>): Promise<T> {
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
async function heard(
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

describe('pairing', () => {
  it('gives a token for the code on the screen, once, and for ten minutes', async () => {
    const { app, pairing, pass } = setting();
    const pair = (code: string) => request(app).post(`${MOUNTED}/pen/pair`).send({ code });
    const { code } = pairing.codeOf('pen', NOW);
    const answer = await pair(`${code.slice(0, 3)} ${code.slice(3)}`);
    expect(answer.status).toBe(200);
    expect((answer.body as { token: string }).token).toMatch(/^[0-9a-f]{64}$/);
    expect((await pair(code)).status).toBe(403);
    const next = pairing.codeOf('pen', NOW).code;
    pass(CODE_MS);
    expect((await pair(next)).status).toBe(403);
  });

  it('puts another code on the screen after five wrong ones, and answers twenty tries at most', async () => {
    const { app, pairing } = setting();
    const { code } = pairing.codeOf('pen', NOW);
    const wrong = code === '000000' ? '000001' : '000000';
    const statuses: number[] = [];
    for (let n = 0; n < 22; n += 1)
      statuses.push((await request(app).post(`${MOUNTED}/pen/pair`).send({ code: wrong })).status);
    expect(statuses.slice(0, 20)).toEqual(Array.from({ length: 20 }, () => 403));
    expect(statuses.slice(20)).toEqual([429, 429]);
    expect(pairing.pair('pen', code, NOW)).toBeNull();
  });

  it('keeps hashes alone, over a restart', () => {
    const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'tokens-')), 'deep', 'tokens.json');
    const pairing = new Pairing(file);
    const token = pairing.pair('pen', pairing.codeOf('pen', NOW).code, NOW) ?? '';
    expect(readFileSync(file, 'utf8')).not.toContain(token);
    const after = new Pairing(file);
    expect(after.admits('pen', token)).toBe(true);
    expect(after.admits('monitor', token)).toBe(false);
    expect(after.admits('pen', 'f'.repeat(64))).toBe(false);
  });
});

describe('every route', () => {
  it('that wants a token refuses none, a wrong one and one of another instrument', async () => {
    const { app, token } = setting();
    const other = await token('pen');
    const document = (await request(app).get(`${MOUNTED}/openapi.json`)).body as {
      paths: Record<string, Record<string, { security?: object[] }>>;
    };
    const guarded = Object.entries(document.paths).flatMap(([address, methods]) =>
      Object.entries(methods).flatMap(([method, { security }]) =>
        security
          ? [
              [
                method,
                address.replace('{instrument}', 'monitor').replace('{ticket}', '0'.repeat(16)),
              ] as const,
            ]
          : [],
      ),
    );
    expect(guarded.length).toBeGreaterThan(6);
    for (const [method, address] of guarded) {
      for (const headers of [
        {},
        bearer('0'.repeat(64)),
        bearer(other),
        { Authorization: 'Bearer x' },
      ]) {
        const call =
          method === 'get'
            ? request(app).get(MOUNTED + address)
            : request(app).post(MOUNTED + address);
        const answer = await call.set(headers);
        expect([method, address, answer.status]).toEqual([method, address, 401]);
        expect((answer.body as { error: string }).error).toMatch(/Pair the instrument again/);
      }
    }
  });

  it('answers what it was not made for in words', async () => {
    const { app, token } = setting();
    const monitor = await token('monitor');
    const send = (address: string, body: string, type = 'application/json') =>
      request(app)
        .post(MOUNTED + address)
        .set(bearer(monitor))
        .set('Content-Type', type)
        .send(body);
    const cases: [Promise<request.Response>, number][] = [
      [send('/monitor/pair', '{'), 400],
      [send('/monitor/pair', '{"code":"12"}'), 400],
      [send('/monitor/pair', '"123456"'), 400],
      [send('/monitor/pair', `{"code":"${'1'.repeat(20_000)}"}`), 413],
      [send('/monitor/pair', 'code=123456', 'text/plain'), 400],
      [send('/nobody/pair', '{"code":"123456"}'), 404],
      [send('/..%2f..%2fetc/pair', '{"code":"123456"}'), 400],
      [send('/monitor/acknowledged', '{"epoch":"a b","upTo":1}'), 400],
      [send('/monitor/acknowledged', '{"epoch":"a","upTo":0.5}'), 400],
      [
        request(app)
          .get(`${MOUNTED}/monitor/samples?epoch=a&from=-1`)
          .set(bearer(monitor))
          .then((one) => one),
        400,
      ],
      [
        request(app)
          .get(`${MOUNTED}/monitor/samples?epoch=a&from=1&count=9999`)
          .set(bearer(monitor))
          .then((one) => one),
        400,
      ],
      [
        request(app)
          .get(`${MOUNTED}/%ff/screen`)
          .then((one) => one),
        400,
      ],
      [
        request(app)
          .get(`${MOUNTED}/a/b/c/d`)
          .then((one) => one),
        404,
      ],
      [
        request(app)
          .get(`${MOUNTED}/nobody/screen`)
          .then((one) => one),
        404,
      ],
    ];
    for (const [asked, status] of cases) {
      const answer = await asked;
      expect([answer.request.url.split(MOUNTED)[1], answer.status]).toEqual([
        answer.request.url.split(MOUNTED)[1],
        status,
      ]);
      expect((answer.body as { error: string }).error).toMatch(/^[A-Z].*\.$/);
      expect(answer.text).not.toMatch(/node_modules|at .*\.ts/);
    }
  });

  it('refuses pages of other sites, and says no word of sharing', async () => {
    const { app } = setting();
    const get = (headers: Record<string, string>) => request(app).get(`${MOUNTED}/`).set(headers);
    expect((await get({ Origin: 'http://elsewhere.example' })).status).toBe(403);
    expect((await get({ 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403);
    // A page that sends no referrer posts its forms with an origin of null.
    const answer = await get({ 'Sec-Fetch-Site': 'same-origin', Origin: 'null' });
    expect((await get({ Origin: 'null' })).status).toBe(403);
    expect(answer.status).toBe(200);
    expect(answer.headers['access-control-allow-origin']).toBeUndefined();
  });

  it('answers so many a minute and no more, and says when to ask again', async () => {
    const { app } = setting({ perMinute: 3 });
    const statuses: number[] = [];
    for (let n = 0; n < 5; n += 1)
      statuses.push((await request(app).get(`${MOUNTED}/health`)).status);
    expect(statuses).toEqual([200, 200, 200, 429, 429]);
    expect((await request(app).get(`${MOUNTED}/health`)).body).toMatchObject({ retryAfter: 60 });
  });

  it('is logged without its token or its code', async () => {
    const { app, token, logged, pairing } = setting();
    const { code } = pairing.codeOf('monitor', NOW);
    const given = await token('monitor');
    await request(app).get(`${MOUNTED}/monitor`).set(bearer(given));
    expect(logged.length).toBe(2);
    expect(logged.join('')).not.toContain(given);
    expect(logged.join('')).not.toContain(code);
    expect(JSON.parse(logged[1] ?? '')).toMatchObject({ method: 'GET', status: 200 });
  });

  it('stands in the description that is written of it', async () => {
    const { app } = setting();
    const document = (await request(app).get(`${MOUNTED}/openapi.json`)).body as {
      openapi: string;
      paths: Record<string, unknown>;
      components: { schemas: Record<string, unknown> };
    };
    expect(document.openapi).toBe('3.1.0');
    expect(Object.keys(document.paths)).toEqual(
      expect.arrayContaining([
        '/{instrument}/stream',
        '/{instrument}/pair',
        '/{instrument}/slips/{ticket}',
      ]),
    );
    expect(Object.keys(document.components.schemas)).toEqual(
      expect.arrayContaining(['Hello', 'Sample', 'Quick', 'Switch', 'Slip', 'Problem']),
    );
  });
});

describe('a monitor', () => {
  it('streams a sample a minute, and a switch at once', async () => {
    const { app, token, pass, household } = setting();
    const given = await token('monitor');
    await listening(app, async (base) => {
      const answer = await fetch(`${base}${MOUNTED}/monitor/stream`, { headers: bearer(given) });
      expect(answer.headers.get('content-type')).toContain('text/event-stream');
      expect(answer.headers.get('content-encoding')).toBeNull();
      const reader = answer.body!.getReader();
      await heard(reader, (text) => text.includes('event: hello'));
      pass(2 * MINUTE);
      household.monitor.fail('leak', 1);
      const text = await heard(reader, (seen) => seen.includes('event: switch'));
      const samples = [...text.matchAll(/event: sample\nid: (\d+)\ndata: (.*)/g)];
      expect(samples.map(([, id]) => id)).toEqual(['1', '2']);
      expect(sampleSchema.parse(JSON.parse(samples[0]?.[2] ?? '')).at).toBe(NOW + MINUTE);
      expect(text).toContain('"of":"leak","on":true');
    });
    for (let turn = 0; turn < 100 && household.monitor.listening > 0; turn += 1)
      await new Promise(setImmediate);
    expect(household.monitor.listening).toBe(0);
  });

  it('gives out by number what a stream missed, and none of what it forgot', async () => {
    const { app, token, pass, household } = setting();
    const given = await token('monitor');
    pass(10 * MINUTE);
    const { epoch } = household.monitor.hello();
    const ask = async (of: string, from: number, count = 5) => {
      const address = `${MOUNTED}/monitor/samples?epoch=${of}&from=${from}&count=${count}`;
      const answer = await request(app).get(address).set(bearer(given));
      return historySchema.parse(answer.body);
    };
    expect((await ask(epoch, 4)).samples.map(({ number }) => number)).toEqual([4, 5, 6, 7, 8]);
    expect((await ask(epoch, 9)).samples.map(({ number }) => number)).toEqual([9, 10]);
    household.monitor.forget();
    const after = await ask(epoch, 4);
    expect(after.samples).toEqual([]);
    expect(after.epoch).not.toBe(epoch);
  });

  it('keeps seven days and no more', () => {
    const { household, pass } = setting();
    for (let day = 0; day < 16; day += 1) pass(720 * MINUTE);
    const { oldest, newest } = household.monitor.hello();
    expect([oldest, newest]).toEqual([newest - 7 * 1440 + 1, 16 * 720]);
  });

  it('starts in the past and falls to the pace of time at now', () => {
    const household = new Household({ seed: 3, pastDays: 1, speed: 3600 }, NOW);
    household.monitor.advance(NOW + 6000);
    expect(household.monitor.hello().newest).toBe(360);
    for (let n = 1; n < 10; n += 1) household.monitor.advance(NOW + 24_000 + n);
    expect(household.monitor.hello().newest).toBe(1440);
    household.monitor.advance(NOW + 10 * MINUTE);
    expect(household.monitor.hello().newest).toBe(1450);
  });

  it('cuts off who reads too slowly, and goes on for the others', async () => {
    const { app, token, pass, household } = setting();
    const given = await token('monitor');
    await listening(app, async (base) => {
      const slow = await fetch(`${base}${MOUNTED}/monitor/stream`, { headers: bearer(given) });
      expect(household.monitor.listening).toBe(1);
      // Twelve megabytes, which no connection between two processes holds.
      for (let n = 0; n < 200 && household.monitor.listening > 0; n += 1) pass(500 * MINUTE);
      expect(household.monitor.listening).toBe(0);
      const reader = slow.body!.getReader();
      await expect(heard(reader, () => false)).rejects.toThrow();
      const quick = await fetch(`${base}${MOUNTED}/monitor/stream`, { headers: bearer(given) });
      await heard(quick.body!.getReader(), (text) => text.includes('hello'));
    });
  });

  it('serves 200 who listen, and each hears every sample once', async () => {
    const { app, token, pass } = setting();
    const given = await token('monitor');
    await listening(app, async (base) => {
      const readers = await Promise.all(
        Array.from({ length: 200 }, async () => {
          const answer = await fetch(`${base}${MOUNTED}/monitor/stream`, {
            headers: bearer(given),
          });
          const reader = answer.body!.getReader();
          await heard(reader, (text) => text.includes('hello'));
          return reader;
        }),
      );
      for (let n = 0; n < 12; n += 1) pass(5 * MINUTE);
      const texts = await Promise.all(
        readers.map((reader) => heard(reader, (text) => text.includes('id: 60\n'))),
      );
      for (const text of texts)
        expect([...text.matchAll(/^id: (\d+)$/gm)].map(([, id]) => Number(id))).toEqual(
          Array.from({ length: 60 }, (_, n) => n + 1),
        );
    });
  });

  it('has every fault of its page, and none after it ended', async () => {
    const { app, household, pass } = setting();
    const press = (body: string) =>
      request(app).post(`${MOUNTED}/monitor/screen`).type('form').send(body);
    const { monitor } = household;
    const seen: { number: number; at: number; salinity: number | undefined }[] = [];
    monitor.listen({
      hear: (one) => {
        if (one.event === 'sample')
          seen.push({
            number: one.data.number,
            at: one.data.at,
            salinity: one.data.values.salinity,
          });
      },
      end: () => undefined,
    });
    const during = async (fault: string, minutes: number) => {
      seen.length = 0;
      expect((await press(`fault=${fault}`)).status).toBe(303);
      pass(minutes * MINUTE);
      await press(`fault=${fault}`);
      return [...seen];
    };
    pass(MINUTE);
    expect(await during('silence', 3)).toEqual([]);
    expect((await during('bubbles', 1))[0]?.salinity).toBe(0);
    expect((await during('doubled', 1)).length).toBe(2);
    expect((await during('wrongClock', 1))[0]?.at).toBe(NOW + 7 * MINUTE - 3 * 60 * MINUTE);
    const stuck = await during('stuck', 3);
    expect(new Set(stuck.map(({ salinity }) => salinity)).size).toBe(1);
    expect(await during('late', 3)).toEqual([]);
    pass(10 * MINUTE);
    expect(seen.map(({ number }) => number)).toEqual(
      expect.arrayContaining([stuck.at(-1)!.number + 1]),
    );
    expect((await press('fault=earthquake')).status).toBe(400);
    expect(monitor.shown().faults).toEqual([]);
  });
});

describe('a pen, a colorimeter, a counter', () => {
  const post = async (of: Setting, address: string, token: string, body: object = {}) =>
    request(of.app)
      .post(MOUNTED + address)
      .set(bearer(token))
      .send(body);

  it('the pen warms up, then comes to the temperature of the water', async () => {
    const of = setting();
    const token = await of.token('pen');
    const first = await post(of, '/pen/measure', token);
    expect(first.status).toBe(409);
    expect(first.body).toMatchObject({
      error: 'It is warming up. Ask again in 10 seconds.',
      retryAfter: 10,
    });
    of.pass(10_000);
    const early = (await post(of, '/pen/measure', token)).body as {
      salinity: number;
      steady: boolean;
    };
    of.pass(20_000);
    const late = (await post(of, '/pen/measure', token)).body as {
      salinity: number;
      steady: boolean;
    };
    expect([early.steady, late.steady]).toEqual([false, true]);
    expect(Math.abs(late.salinity - 35)).toBeLessThan(1);
    expect(early.salinity).toBeGreaterThan(late.salinity);
  });

  it('the colorimeter wants its blank, and lets its reagent take its time', async () => {
    const of = setting();
    const token = await of.token('colorimeter');
    const measure = () => post(of, '/colorimeter/measure', token, { parameter: 'nitrate' });
    expect((await measure()).body).toMatchObject({
      error: expect.stringMatching(/blank/) as string,
    });
    expect((await post(of, '/colorimeter/blank', token)).status).toBe(204);
    expect((await measure()).body).toMatchObject({ retryAfter: 3 });
    of.pass(3000);
    expect((await measure()).body).toMatchObject({ unit: 'nitrate NO3', parameter: 'nitrate' });
    of.pass(11 * MINUTE);
    expect((await measure()).status).toBe(409);
    expect((await post(of, '/colorimeter/measure', token, {})).status).toBe(400);
  });

  it('the counter gives a ticket, and later a slip in units of its own', async () => {
    const of = setting();
    const token = await of.token('counter');
    const handedIn = await post(of, '/counter/handed-in', token, {
      drawnAt: NOW - 60 * MINUTE,
      label: 'My <tank>',
    });
    expect(handedIn.status).toBe(202);
    const { ticket } = handedIn.body as { ticket: string };
    const get = (as: string) =>
      request(of.app).get(`${MOUNTED}/counter/slips/${ticket}?as=${as}`).set(bearer(token));
    expect((await get('json')).status).toBe(409);
    of.pass(20_000);
    expect(((await get('json')).body as { lines: object[] }).lines.length).toBe(8);
    expect((await get('csv')).text.split('\r\n').length).toBe(9);
    expect((await get('page')).text).toContain('My &#60;tank&#62;');
    const unknown = await request(of.app)
      .get(`${MOUNTED}/counter/slips/${'0'.repeat(16)}`)
      .set(bearer(token));
    expect(unknown.status).toBe(404);
    expect(
      (await post(of, '/counter/handed-in', token, { drawnAt: NOW + 60 * MINUTE })).status,
    ).toBe(400);
  });
});

describe('the relay', () => {
  it('hands on what it was given at its start, tokens and streams included', async () => {
    const far = setting();
    await listening(far.app, async (base) => {
      const relayed = relayedFrom(base);
      const near = setting({ relayed });
      const list = (await request(near.app).get(`${MOUNTED}/`)).body as {
        instruments: { id: string }[];
      };
      expect(list.instruments.map(({ id }) => id)).toContain('r1-monitor');
      const { code } = far.pairing.codeOf('monitor', NOW);
      const paired = await request(near.app).post(`${MOUNTED}/r1-monitor/pair`).send({ code });
      const { token } = paired.body as { token: string };
      far.pass(3 * MINUTE);
      const { epoch } = far.household.monitor.hello();
      const samples = await request(near.app)
        .get(`${MOUNTED}/r1-monitor/samples?epoch=${epoch}&from=1`)
        .set(bearer(token));
      expect(historySchema.parse(samples.body).samples.length).toBe(3);
      await listening(near.app, async (here) => {
        const stream = await fetch(`${here}${MOUNTED}/r1-monitor/stream`, {
          headers: bearer(token),
        });
        const reader = stream.body!.getReader();
        await heard(reader, (text) => text.includes('hello'));
        far.pass(MINUTE);
        expect(await heard(reader, (text) => text.includes('id: 4'))).toContain('"number":4');
        await reader.cancel();
      });
      expect((await request(near.app).get(`${MOUNTED}/r2-monitor/samples`)).status).toBe(401);
    });
  });

  it('says where an address does not answer, and takes none that is no address', async () => {
    const near = setting({ relayed: relayedFrom('http://127.0.0.1:9') });
    const answer = await request(near.app)
      .get(`${MOUNTED}/r1-monitor`)
      .set(bearer('0'.repeat(64)));
    expect(answer.status).toBe(502);
    expect(answer.body).toMatchObject({ error: expect.stringMatching(/switched on/) as string });
    const list = (await request(near.app).get(`${MOUNTED}/`)).body as { instruments: object[] };
    expect(list.instruments.length).toBe(4);
    expect(() => relayedFrom('ftp://x')).toThrow(/no address/);
    expect(() => relayedFrom('http://u:p@x')).toThrow(/no address/);
    expect(relayedFrom(' ')).toEqual([]);
  });
});
