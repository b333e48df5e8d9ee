import { mkdtempSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { historySchema } from '../../src/core/monitor/protocol';
import {
  bearer,
  heard,
  listening,
  MINUTE,
  NOW,
  setting,
} from '../../src/testing/instrumentSetting';
import { MOUNTED } from './mount';
import { CODE_MS, Pairing } from './pairing';
import { relayedFrom } from './relay';

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
        expect((answer.body as { error: string }).error).toMatch(/Pair it again/);
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
