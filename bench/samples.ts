import 'fake-indexeddb/auto';
import { CHANNEL_IDS } from '../src/core/monitor/channels';
import {
  emptyPlaces,
  LEVELS,
  minuteOf,
  packPlaces,
  PLACES,
} from '../src/core/monitor/samples/block';
import type { Sample } from '../src/core/monitor/protocol';
import { drawnOf, levelFor } from '../src/core/monitor/samples/view';
import { SampleStore } from '../src/storage/sampleStore';
import { print, round3 } from './print';

/** 500,000 samples of four probes: written in batches, read as a day and as a year. In Node, on a store in memory. */
const SAMPLES = 500_000;
const BATCH = 2000;
const START = Date.parse('2026-01-01T00:00:00Z');
const MINUTE_MS = 60_000;
const DAY_MS = 1440 * MINUTE_MS;

const sampleAt = (number: number): Sample => ({
  number,
  at: START + number * MINUTE_MS,
  values: {
    temperature: 25.5 + 0.4 * Math.sin(number / 229),
    ph: 8.1 + 0.15 * Math.sin(number / 229),
    salinity: 34.8 + 0.1 * Math.sin(number / 1000),
    freeAmmonia: 0.002,
  },
});

const bytes = Object.fromEntries(
  LEVELS.map((level) => [
    `bytesAPlaceAt${level}`,
    round3((packPlaces(emptyPlaces(level).fill(1), level)?.byteLength ?? 0) / PLACES),
  ]),
);

async function main(): Promise<void> {
  const store = new SampleStore('bench');
  const begun = performance.now();
  for (let from = 1; from <= SAMPLES; from += BATCH)
    await store.take(
      'm',
      'epoch',
      Array.from({ length: Math.min(BATCH, SAMPLES - from + 1) }, (_, n) => sampleAt(from + n)),
      0,
    );
  const written = performance.now() - begun;
  const last = sampleAt(SAMPLES).at;
  const look = async (ms: number, pixels: number) => {
    const seen = { from: last - ms, to: last };
    const level = levelFor(seen, pixels);
    const asked = performance.now();
    const stretch = await store.stretch('m', 'ph', level, minuteOf(seen.from), minuteOf(last));
    const points = drawnOf('ph', stretch).length;
    return { ms: round3(performance.now() - asked), level, points };
  };
  const [day, year] = [await look(DAY_MS, 1200), await look(340 * DAY_MS, 1200)];
  print('samples', {
    samples: SAMPLES,
    probes: CHANNEL_IDS.length,
    writtenMs: Math.round(written),
    microsecondsASample: round3((1000 * written) / SAMPLES),
    dayMs: day.ms,
    dayPoints: day.points,
    yearMs: year.ms,
    yearPoints: year.points,
    ...bytes,
  });
}

void main();
