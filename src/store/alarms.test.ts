import { alarmFirst } from '../core/monitor/alarms/alarmFirst';
import { alarmTitle } from '../core/monitor/alarms/alarmWords';
import type { Turn } from '../core/monitor/alarms/watch';
import { entriesOfTank } from '../core/records/log';
import { kitFrom, meterKit } from '../core/records/kitTemplates';
import { tankHistory } from '../core/history/derive';
import { SampleStore } from '../storage/sampleStore';
import { LogBuilder } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import {
  markSeen,
  othersAnswer,
  recordNights,
  recordPast,
  recordTurn,
  selectUnseen,
} from './alarms';
import { ticked } from './clockSlice';
import { tellLive } from './live';
import { openLog } from './open';
import { recordAct, storeRevisions } from './record';
import { createStore } from './store';

const NOW = Date.parse('2026-03-04T09:00:00Z');
const MINUTE = 60_000;

/** A tank with a monitor that has a pH probe. */
async function monitored() {
  const store = createStore(testServices(NOW));
  await store.dispatch(openLog('own'));
  const builder = new LogBuilder();
  await store.dispatch(storeRevisions([...builder.revisions]));
  store.dispatch(ticked(NOW));
  let id = '';
  await store.dispatch(
    recordAct((act) => {
      const probe = meterKit(
        'ph',
        'pH, a monitor',
        'pH',
        { resolution: 0.001, accuracy: 0.05 },
        { order: 9, readBy: 'instrument' },
      );
      id = act.create('connection', {
        tankId: builder.tankId,
        name: 'A monitor',
        kind: 'monitor',
        instrument: 'monitor',
        kits: { ph: act.create('kit', probe) },
        alarms: {},
      });
      act.create('kit', kitFrom('phPen', 0));
    }),
  );
  const connection = store.getState().log.connections.find((one) => one.id === id);
  if (!connection) throw new Error('no connection');
  const alarms = () =>
    entriesOfTank(store.getState().log, builder.tankId).flatMap(({ body }) =>
      body.kind === 'alarm' ? [body] : [],
    );
  return { store, connection, alarms, tankId: builder.tankId };
}

const turn = (more: Partial<Turn> = {}): Turn => ({
  alarm: 'temperatureFar',
  since: NOW - 5 * MINUTE,
  worst: 31,
  past: false,
  until: null,
  ...more,
});

it('what rang is one entry, however many tabs heard it, and says until when', async () => {
  const { store, connection, alarms } = await monitored();
  expect(await store.dispatch(recordTurn(connection, turn()))).toBe(true);
  expect(await store.dispatch(recordTurn(connection, turn()))).toBe(false);
  expect(selectUnseen(store.getState())).toHaveLength(1);
  await store.dispatch(recordTurn(connection, turn({ until: NOW, worst: 32 })));
  expect(alarms()).toEqual([
    expect.objectContaining({
      alarm: 'temperatureFar',
      worst: 32,
      until: expect.any(String) as string,
    }),
  ]);
});

it('stands over every screen until it was seen, the gravest first, and a day at most', async () => {
  const { store, connection, alarms } = await monitored();
  await store.dispatch(recordTurn(connection, turn()));
  await store.dispatch(recordTurn(connection, turn({ alarm: 'leak', worst: undefined })));
  const unseen = () =>
    selectUnseen(store.getState()).map(({ body }) => (body.kind === 'alarm' ? body.alarm : ''));
  expect(unseen()).toEqual(['leak', 'temperatureFar']);
  store.dispatch(ticked(NOW + 25 * 60 * MINUTE));
  expect(unseen()).toEqual([]);
  store.dispatch(ticked(NOW));
  await store.dispatch(markSeen(selectUnseen(store.getState())));
  expect(unseen()).toEqual([]);
  expect(alarms().every(({ seenAt }) => seenAt !== undefined)).toBe(true);
});

it('silence of all monitors is power or network, and of one alone that one’s', async () => {
  const { store, connection } = await monitored();
  await store.dispatch(
    recordAct((act) => act.create('connection', { ...connection.body, instrument: 'second' })),
  );
  const second = store.getState().log.connections.find(({ id }) => id !== connection.id);
  if (!second) throw new Error('no second');
  const others = () => othersAnswer(store.getState(), connection.id, NOW);
  tellLive(connection.id, { state: 'live', at: NOW });
  // Paired, and never heard: it answers no more than the one that fell silent.
  expect(others()).toBe(false);
  tellLive(second.id, { state: 'live', at: NOW - MINUTE });
  expect(others()).toBe(true);
  expect(alarmFirst('silent', others())).toMatch(/^Another monitor still answers/);
  // The power failed: both were heard last five minutes ago, and this one rings first.
  tellLive(second.id, { at: NOW - 5 * MINUTE });
  expect(others()).toBe(false);
  expect(alarmFirst('silent', others())).toMatch(/^Power or network/);
  tellLive(second.id, { state: 'lost', at: NOW });
  expect(others()).toBe(false);
});

it('what was found afterwards is one entry and one sentence', async () => {
  const { store, connection, alarms } = await monitored();
  const past = { past: true, since: NOW - 300 * MINUTE };
  await store.dispatch(
    recordPast(connection, [
      turn(past),
      turn({ ...past, until: NOW - 200 * MINUTE, worst: 33 }),
      turn({ alarm: 'phJump', past: true, since: NOW - 100 * MINUTE, worst: 0.3 }),
    ]),
  );
  const [found] = alarms();
  expect(alarms()).toHaveLength(1);
  expect(found?.past).toMatchObject([
    { alarm: 'temperatureFar', worst: 33, until: expect.any(String) as string },
    { alarm: 'phJump' },
  ]);
  expect(store.getState().session.notice?.text).toBe(
    `2 alarms found afterwards, ${alarmTitle('temperatureFar').toLowerCase()} among them`,
  );
});

it('the steadiest hour of each night becomes one reading with its spread, once', async () => {
  const { store, connection, tankId } = await monitored();
  const samples = new SampleStore('nights');
  const first = Date.parse('2026-03-03T00:00:00Z');
  await samples.take(
    connection.id,
    'a',
    Array.from({ length: 32 * 60 }, (_, n) => ({
      number: n + 1,
      at: first + n * MINUTE,
      // Of the third hour of each day nothing but a tremble is seen.
      values: { ph: 8 + (Math.floor(n / 60) % 24 === 3 ? (n % 3) / 1000 : (n % 30) / 100) },
    })),
    0,
  );
  expect(await store.dispatch(recordNights(connection, samples))).toBe(2);
  expect(await store.dispatch(recordNights(connection, samples))).toBe(0);
  const readings = tankHistory(store.getState().log, tankId).readings.ph;
  expect(readings.map(({ best }) => best)).toEqual([8.001, 8.001]);
  expect(readings.map(({ at }) => new Date(at).toISOString())).toEqual([
    '2026-03-03T03:30:00.000Z',
    '2026-03-04T03:30:00.000Z',
  ]);
  expect(readings[0]?.entry.spread).toEqual({ minutes: 60, low: 8, high: 8.002 });
  // It stands for all of its hour, and for what its probe may be off by.
  expect(readings[0]?.range.low).toBeLessThanOrEqual(7.951);
});
