import request from 'supertest';
import { historySchema, sampleSchema } from '../../../src/core/monitor/protocol';
import {
  bearer,
  heard,
  listening,
  MINUTE,
  NOW,
  setting,
  type Setting,
} from '../../../src/testing/instrumentSetting';
import { Household } from '../household';
import { MOUNTED } from '../mount';

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
