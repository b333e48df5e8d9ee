import fc from 'fast-check';
import { LEVELS, NONE, PLACES, summed, widthOf } from '../core/monitor/samples/block';
import type { Sample } from '../core/monitor/protocol';
import { readSamplesFile, samplesFile } from '../core/monitor/samples/samplesFile';
import { forgetSamples } from './forgetSamples';
import { SampleStore } from './sampleStore';

const MINUTE = 60_000;
const DAY = 1440 * MINUTE;
/** Begins an hour before a block of days and of hours ends. */
const FIRST = 20_610 * PLACES - 60;
let databases = 0;
const open = () => new SampleStore(`samples-${(databases += 1)}`);

const sample = (number: number, temperature?: number): Sample => ({
  number,
  at: (FIRST + number) * MINUTE,
  values: temperature === undefined ? { ph: 8 } : { temperature, ph: 8 },
});

/** Brings everything in that another store saved. @returns minutes brought in and held already */
async function broughtIn(from: SampleStore, into: SampleStore) {
  const text = samplesFile({ id: 'm', name: 'M' }, await from.blocks('m'), FIRST * MINUTE);
  const file = readSamplesFile(text, FIRST * MINUTE + DAY);
  if (!file.ok) throw new Error(file.why);
  return into.fill('m', file.days);
}

describe('samples', () => {
  it('saved as a file are the same in another browser at every level, and the stream goes on after them', async () => {
    const [from, into] = [open(), open()];
    const samples = Array.from({ length: 900 }, (_, n) => sample(n + 1, 25 + (n % 90) / 100));
    await from.take('m', 'a', samples, 0);
    // Measured here meanwhile: it stays as it is, and only what is missing comes.
    const own = { ...sample(1, 20), at: (FIRST + 500) * MINUTE };
    await into.take('m', 'b', [own], 0);
    expect(await broughtIn(from, into)).toEqual({ filled: 1798, held: 2 });
    expect(await broughtIn(from, into)).toEqual({ filled: 0, held: 1800 });
    for (const [channel, n] of [
      ['temperature', 0],
      ['ph', 1],
    ] as const) {
      for (const level of LEVELS) {
        const of = (store: SampleStore) =>
          store.stretch('m', channel, level, FIRST, FIRST + samples.length);
        const [wanted, found] = [await of(from), await of(into)];
        if (n === 0) {
          // The one minute that was measured here is the least of each place that it lies in.
          const at = (Math.floor((FIRST + 500) / level) - wanted.first) * widthOf(level);
          expect(found.values[at]).toBe(2000);
          if (level === 1) wanted.values[at] = 2000;
          else wanted.values.set(found.values.subarray(at, at + 2), at);
        }
        expect(found).toEqual(wanted);
      }
    }
    expect(await into.held('m')).toMatchObject({ epoch: 'b', have: [[1, 1]] });
    const next = { ...sample(2, 26), at: (FIRST + 901) * MINUTE };
    expect(await into.take('m', 'b', [next], 0)).toMatchObject({ have: [[1, 2]] });
    // A browser that never heard the monitor begins its epoch with the first sample.
    const fresh = open();
    await broughtIn(from, fresh);
    expect(await fresh.take('m', 'c', [next], 0)).toMatchObject({ epoch: 'c', have: [[2, 2]] });
  });

  it('come in once where two tabs bring in the same file, one broken off after its first day', async () => {
    const from = open();
    const samples = Array.from({ length: 900 }, (_, n) => sample(n + 1, 25 + (n % 90) / 100));
    await from.take('m', 'a', samples, 0);
    const text = samplesFile({ id: 'm', name: 'M' }, await from.blocks('m'), FIRST * MINUTE);
    const file = readSamplesFile(text, FIRST * MINUTE + DAY);
    if (!file.ok) throw new Error(file.why);
    const name = `samples-${(databases += 1)}`;
    const [one, other] = [new SampleStore(name), new SampleStore(name)];
    const firstDay = Math.min(...file.days.map(({ day }) => day));
    const begun = await one.fill(
      'm',
      file.days.filter(({ day }) => day === firstDay),
    );
    expect(begun.filled).toBeGreaterThan(0);
    const came = await Promise.all([one.fill('m', file.days), other.fill('m', file.days)]);
    expect(begun.filled + came[0].filled + came[1].filled).toBe(2 * samples.length);
    expect(came.map(({ filled, held }) => filled + held)).toEqual([1800, 1800]);
    for (const level of LEVELS) {
      const of = (store: SampleStore) =>
        store.stretch('m', 'temperature', level, FIRST, FIRST + samples.length);
      expect(await of(other)).toEqual(await of(from));
    }
  });

  it('are the same at every level, in whatever order, how often and by how many tabs they come', async () => {
    const value = fc.option(
      fc.integer({ min: 2000, max: 3000 }).map((steps) => steps / 100),
      { nil: undefined },
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(value, { minLength: 150, maxLength: 700 }),
        fc.array(fc.tuple(fc.nat(), fc.integer({ min: 1, max: 90 })), { maxLength: 12 }),
        async (temperatures, parts) => {
          const store = open();
          const samples = temperatures.map((temperature, n) => sample(n + 1, temperature));
          const batches = parts.map(([from, count]) =>
            samples.slice(from % samples.length).slice(0, count),
          );
          for (const batch of batches) await store.take('m', 'a', batch, 0);
          // The rest in order, a few at a time, by two tabs at once.
          for (let from = 0; from < samples.length; from += 7) {
            const few = samples.slice(from, from + 7);
            await Promise.all([store.take('m', 'a', few, 0), store.take('m', 'a', few, 0)]);
          }
          expect((await store.held('m'))?.have).toEqual([[1, samples.length]]);
          const minutes = [
            NONE,
            ...temperatures.map((one) => (one === undefined ? NONE : Math.round(one * 100))),
          ];
          for (const level of LEVELS) {
            const { first, values } = await store.stretch(
              'm',
              'temperature',
              level,
              FIRST,
              FIRST + samples.length,
            );
            const width = widthOf(level);
            for (let place = 0; place * width < values.length; place += 1) {
              const from = (first + place) * level - FIRST;
              const within = Array.from({ length: level }, (_, n) => minutes[from + n] ?? NONE);
              const wanted = level === 1 ? within : summed(within);
              expect([level, place, ...values.slice(place * width, (place + 1) * width)]).toEqual([
                level,
                place,
                ...wanted,
              ]);
            }
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('of a clock that is behind lie where they belong', async () => {
    const store = open();
    await store.take('m', 'a', [sample(1, 25)], 180 * MINUTE);
    const { values } = await store.stretch('m', 'temperature', 1, FIRST + 180, FIRST + 182);
    expect([...values]).toEqual([NONE, 2500, NONE]);
  });

  it('of a new epoch are numbered anew, and those of before stay', async () => {
    const store = open();
    await store.take('m', 'a', [sample(1, 25), sample(2, 25)], 0);
    const later = { ...sample(1, 26), at: (FIRST + 5) * MINUTE };
    expect(await store.take('m', 'b', [later], 0)).toMatchObject({ epoch: 'b', have: [[1, 1]] });
    const { values } = await store.stretch('m', 'temperature', 1, FIRST + 1, FIRST + 5);
    expect([...values]).toEqual([2500, 2500, NONE, NONE, 2600]);
  });

  it('keep apart what two monitors measured, and their tokens', async () => {
    const store = open();
    await store.take('m', 'a', [sample(1, 25)], 0);
    await store.keepToken('m', 'secret');
    expect((await store.stretch('n', 'temperature', 1, FIRST, FIRST + 2)).values).toEqual(
      new Int16Array(3).fill(NONE),
    );
    expect([await store.token('m'), await store.token('n'), await store.held('n')]).toEqual([
      'secret',
      null,
      null,
    ]);
    await store.forgetToken('m');
    expect(await store.token('m')).toBeNull();
    await store.keepToken('m', 'secret');
    await forgetSamples(`samples-${databases}`);
    expect([
      await store.token('m'),
      await store.held('m'),
      (await store.blocks('m')).length,
    ]).toEqual([null, null, 0]);
  });
});
