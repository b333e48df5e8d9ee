// A thermometer of your own: `node bridge.mjs`, then `INSTRUMENTS=http://127.0.0.1:8091 npm run demo`.
import { randomBytes, randomInt } from 'node:crypto';
import express from 'express';

const about = { id: 'thermometer', kind: 'monitor', name: 'My thermometer', madeUp: false };
const instrument = { ...about, accuracy: { temperature: 0.3 } };

/** @param read °C now; @param show where the keeper reads the code; @param minute ms from sample to sample */
export function bridge(read, show, minute = 60_000) {
  const epoch = randomBytes(6).toString('hex');
  const token = randomBytes(32).toString('hex');
  const code = String(randomInt(1e6)).padStart(6, '0');
  const samples = [];
  const listening = new Set();
  show(code);
  const measuring = setInterval(() => {
    const number = (samples.at(-1)?.number ?? 0) + 1;
    samples.push({ number, at: Date.now(), values: { temperature: read() } });
    if (samples.length > 7 * 1440) samples.shift();
    for (const response of listening) send(response, 'sample', samples.at(-1));
  }, minute);
  const send = (response, event, data) =>
    response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  const app = express();
  app.locals.stop = () => clearInterval(measuring);
  app.get('/instruments/v1', (_, response) => response.json({ instruments: [instrument] }));
  const own = express.Router();
  app.use('/instruments/v1/thermometer', express.json(), own);
  own.post('/pair', ({ body }, response) => {
    if (body.code === code) response.json({ token, instrument });
    else response.status(403).json({ error: 'This code is wrong.' });
  });
  own.use(({ headers }, response, next) => {
    if (headers.authorization === `Bearer ${token}`) next();
    else response.status(401).json({ error: 'Pair it first.' });
  });
  own.get('/', (_, response) => response.json(instrument));
  own.post('/acknowledged', (_, response) => response.status(204).end());
  own.get('/samples', ({ query }, response) => {
    const known = query.epoch === epoch ? samples : [];
    const from = known.filter(({ number }) => number >= Number(query.from));
    response.json({ now: Date.now(), epoch, samples: from.slice(0, Number(query.count)) });
  });
  own.get('/stream', (_, response) => {
    response.type('text/event-stream');
    const [oldest, newest] = [samples[0]?.number ?? null, samples.at(-1)?.number ?? 0];
    send(response, 'hello', { now: Date.now(), epoch, oldest, newest, switches: [] });
    listening.add(response);
    response.on('close', () => listening.delete(response));
  });
  return app;
}

if (process.argv[1]?.endsWith('bridge.mjs'))
  bridge(
    () => 25,
    (code) => process.stdout.write(`Code: ${code}\n`),
  ).listen(8091, '127.0.0.1');
