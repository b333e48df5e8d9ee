import fc from 'fast-check';
import { draws } from '../../../testing/draws';
import { CHANNEL_IDS, CHANNELS } from '../channels';
import { emptyPlaces, NONE, packPlaces, PLACES } from './block';
import { readSamplesFile, samplesFile, type DayBlock } from './samplesFile';

const AT = Date.parse('2026-03-04T12:00:00Z');
const OF = { id: 'c', name: 'A monitor' };

/** A day of one probe with a few of its minutes, and what they hold. */
const dayOf = fc
  .record({
    channel: fc.constantFrom(...CHANNEL_IDS),
    day: fc.integer({ min: 18_000, max: 20_500 }),
    minutes: fc.array(fc.tuple(fc.nat(PLACES - 1), fc.double({ min: 0, max: 1, noNaN: true })), {
      minLength: 1,
      maxLength: 40,
    }),
  })
  .map(({ channel, day, minutes }) => {
    const { low, high } = CHANNELS[channel].shows;
    const { step } = CHANNELS[channel];
    const places = emptyPlaces(1);
    for (const [at, share] of minutes) {
      const steps = Math.round((low + share * (high - low)) / step);
      // At the very edge a probe cannot show half a step.
      places[at] = Math.max(-32_767, Math.min(32_767, steps));
    }
    return { channel, day, places };
  });

const blockOf = ({
  channel,
  day,
  places,
}: Omit<DayBlock, 'bytes'> & { places: Int16Array<ArrayBuffer> }) => ({
  channel,
  day,
  bytes: packPlaces(places, 1) as ArrayBuffer,
});

it('minutes come back from their file to the last step', () => {
  fc.assert(
    fc.property(fc.array(dayOf, { maxLength: 6 }), (days) => {
      const read = readSamplesFile(samplesFile(OF, days.map(blockOf), AT), AT);
      if (!read.ok) throw new Error(read.why);
      const oldestFirst = [...days].sort((a, b) => a.day - b.day);
      expect(read).toEqual({ ok: true, connection: OF, days: oldestFirst, leftOut: 0 });
    }),
    { numRuns: draws(12) },
  );
});

const whole = () => {
  const places = emptyPlaces(1).fill(2500, 0, 3);
  return samplesFile(OF, [blockOf({ channel: 'temperature', day: 20_000, places })], AT);
};
const spoilt = (with_: (file: { blocks: object[]; version: number; format: string }) => void) => {
  const file = JSON.parse(whole());
  with_(file);
  return readSamplesFile(JSON.stringify(file), AT);
};

it.each([
  ['cut off', () => readSamplesFile(whole().slice(0, -5), AT), /damaged or cut off/],
  [
    'of something else',
    () => spoilt((file) => (file.format = 'zoarium-log')),
    /brought in under Data/,
  ],
  ['of a newer version', () => spoilt((file) => (file.version = 2)), /newer Zoarium/],
  ['without its blocks', () => spoilt((file) => (file.blocks = [{}])), /missing or damaged/],
  ['that is no object', () => readSamplesFile('[]', AT), /no minutes of a monitor/],
])('a file %s is refused with what to do', (_, read, why) => {
  const answer = read();
  expect(answer.ok ? '' : answer.why).toMatch(why);
});

it('a block that is damaged is left out and counted; a value that no probe can show is none', () => {
  const [block] = JSON.parse(whole()).blocks as { minutes: string }[];
  const read = spoilt((file) => {
    file.blocks.push({ ...block, minutes: '!!' }, { ...block, minutes: 'AAAA' });
    file.blocks.push({ ...block, channel: 'orp' }, { ...block, day: '2099-01-01' });
  });
  expect(read).toMatchObject({ ok: true, leftOut: 4, days: [{ channel: 'temperature' }] });
  const places = emptyPlaces(1).fill(9000, 0, 1).fill(2500, 1, 2);
  const tooHot = readSamplesFile(
    samplesFile(OF, [blockOf({ channel: 'temperature', day: 20_000, places })], AT),
    AT,
  );
  expect(tooHot.ok && [...(tooHot.days[0]?.places.subarray(0, 3) ?? [])]).toEqual([
    NONE,
    2500,
    NONE,
  ]);
});
