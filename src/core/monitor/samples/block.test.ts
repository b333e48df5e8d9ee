import fc from 'fast-check';
import { CHANNEL_IDS, CHANNELS } from '../channels';
import {
  emptyPlaces,
  LEVELS,
  minuteOf,
  momentOf,
  NONE,
  openPlaces,
  packPlaces,
  placeOf,
  PLACES,
  stepsOf,
  summed,
  valueOf,
  widthOf,
} from './block';

describe('a value in steps', () => {
  it('comes back as it was, for every step that a probe can show', () => {
    for (const channel of CHANNEL_IDS) {
      const { step, shows } = CHANNELS[channel];
      fc.assert(
        fc.property(fc.double({ min: shows.low, max: shows.high, noNaN: true }), (value) => {
          const steps = stepsOf(channel, value);
          const back = valueOf(channel, steps);
          expect(back).not.toBeNull();
          expect(Math.abs((back ?? NaN) - value)).toBeLessThanOrEqual(step / 2 + 1e-9);
          expect(stepsOf(channel, back ?? NaN)).toBe(steps);
        }),
      );
    }
  });

  it('is none where no probe shows it', () => {
    for (const value of [NaN, Infinity, -Infinity, -50, 1e6])
      for (const channel of CHANNEL_IDS)
        expect(valueOf(channel, stepsOf(channel, value))).toBeNull();
    expect(valueOf('ph', stepsOf('ph', 8.123))).toBe(8.123);
  });
});

describe('a block', () => {
  const numbers = (level: (typeof LEVELS)[number]) =>
    fc
      .array(
        fc.tuple(fc.integer({ min: 0, max: PLACES - 1 }), fc.integer({ min: -32767, max: 32767 })),
        {
          minLength: 1,
          maxLength: 60,
        },
      )
      .map((held) => {
        const places = emptyPlaces(level);
        for (const [place, value] of held)
          places.fill(value, place * widthOf(level), (place + 1) * widthOf(level));
        return places;
      });

  it('opens as it was packed, whatever gaps it has', () => {
    for (const level of LEVELS)
      fc.assert(
        fc.property(numbers(level), (places) => {
          const { places: back, damaged } = openPlaces(
            packPlaces(places, level) ?? undefined,
            level,
          );
          expect(damaged).toBe(false);
          // By the first place that differs: comparing thousands as objects takes a minute.
          expect(back.length).toBe(places.length);
          expect(back.findIndex((value, place) => value !== places[place])).toBe(-1);
        }),
      );
  });

  it('takes at most 2.1 bytes a value of a minute, 6.3 for the three of a level, its head included', () => {
    for (const level of LEVELS) {
      const full = packPlaces(emptyPlaces(level).fill(7), level);
      expect((full?.byteLength ?? Infinity) / PLACES).toBeLessThanOrEqual(level === 1 ? 2.1 : 6.3);
    }
    // A day with an hour missing pays for the gap.
    const gap = emptyPlaces(1).fill(7).fill(NONE, 600, 660);
    expect((packPlaces(gap, 1)?.byteLength ?? Infinity) / (PLACES - 60)).toBeLessThanOrEqual(2.1);
  });

  it('of nothing is none, and one that is no block is told of', () => {
    expect(packPlaces(emptyPlaces(1), 1)).toBeNull();
    const good = packPlaces(emptyPlaces(1).fill(3), 1) ?? new ArrayBuffer(0);
    for (const bad of [
      null,
      'text',
      {},
      new ArrayBuffer(0),
      new ArrayBuffer(3),
      good.slice(0, 101),
    ])
      expect(openPlaces(bad, 1).damaged).toBe(true);
    expect(openPlaces(good, 60).damaged).toBe(true);
    const beyond = good.slice(0);
    new DataView(beyond).setUint16(2, 5, true);
    expect(openPlaces(beyond, 1).damaged).toBe(true);
    expect(openPlaces(undefined, 1)).toMatchObject({ damaged: false });
  });

  it('holds every minute in one place of each level', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60_000_000 }), (minute) => {
        expect(minuteOf(momentOf(minute) + 59_999)).toBe(minute);
        for (const level of LEVELS) {
          const { block, place } = placeOf(level, minute);
          expect(place).toBeGreaterThanOrEqual(0);
          expect(place).toBeLessThan(PLACES);
          expect(Math.floor(minute / level)).toBe(block * PLACES + place);
        }
      }),
    );
  });

  it('sums minutes up as their least, middle and most, and nothing as nothing', () => {
    expect(summed([5, NONE, 1, 3])).toEqual([1, 3, 5]);
    expect(summed([4, 2])).toEqual([2, 2, 4]);
    expect(summed([NONE, NONE])).toEqual([NONE, NONE, NONE]);
  });
});
