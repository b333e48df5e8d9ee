import type { Extent, Growth } from '../records/kinds/sighting';
import { EXTENT_WORDS, GROWTH_WORDS } from '../records/kinds/sighting';
import { HOUR_MS } from '../time/zone';
import { countOf, listWords } from '../units/format';
import { hardshipsOf } from './world/animals';
import type { Deed } from './deeds/deeds';
import { live, type Lived, type Start } from './world/live';
import type { WorldState } from './world/state';

/** How an animal looks to whoever stands before the tank. */
export type Bearing = 'at ease' | 'breathing fast' | 'lying low';

/** What a person in front of a tank would see, and no more. */
export interface Sight {
  water: 'clear' | 'hazy' | 'milky';
  /** Growths that there are, by how much. */
  growths: { growth: Growth; extent: Exclude<Extent, 'none'>; cover: number }[];
  level: 'full' | 'low' | 'over';
  /** Water that is there, as a share of the full. */
  share: number;
  animals: {
    what: string;
    group: 'fish' | 'invertebrate' | 'coral';
    count: number;
    bearing: Bearing;
  }[];
  /** Bodies that lie in it since the last day. */
  dead: { what: string; count: number }[];
}

/** Hours that a body is seen before it has fallen apart. */
const BODY_HOURS = 36;

function extentOf(cover: number): Extent {
  if (cover < 0.03) return 'none';
  if (cover < 0.12) return 'trace';
  return cover < 0.45 ? 'patches' : 'covering';
}

function bearingOf(
  state: WorldState,
  hour: number,
  group: 'fish' | 'invertebrate' | 'coral',
  strain: number,
): Bearing {
  const now = hardshipsOf(state, hour, group);
  const all = now.ammonia + now.oxygen + now.temperature + now.salinity;
  if (strain > 0.45) return 'lying low';
  return all > 0 || strain > 0.15 ? 'breathing fast' : 'at ease';
}

export function sightOf({ state, hour }: Pick<Lived, 'state' | 'hour'>): Sight {
  const covers: [Growth, number][] = [
    ['diatoms', state.diatoms],
    ['film', state.film],
    ['hair', state.hair],
  ];
  const dead = new Map<string, number>();
  for (const death of state.deaths) {
    if (hour - death.hour > BODY_HOURS) continue;
    dead.set(death.what, (dead.get(death.what) ?? 0) + 1);
  }
  return {
    water: state.cloud < 0.12 ? 'clear' : state.cloud < 0.4 ? 'hazy' : 'milky',
    growths: covers.flatMap(([growth, cover]) => {
      const extent = extentOf(cover);
      return extent === 'none' ? [] : [{ growth, extent, cover }];
    }),
    level: state.level < 0.97 ? 'low' : state.level > 1.02 ? 'over' : 'full',
    share: state.level,
    animals: state.dwellers.flatMap(({ what, group, count, strain }) =>
      count > 0 ? [{ what, group, count, bearing: bearingOf(state, hour, group, strain) }] : [],
    ),
    dead: [...dead].map(([what, count]) => ({ what, count })),
  };
}

const WATER_WORDS: Record<Sight['water'], string> = {
  clear: 'The water is clear.',
  hazy: 'The water is a little hazy, as if somebody had stirred in a drop of milk.',
  milky: 'The water is milky: the back wall can hardly be seen.',
};

const BEARING_WORDS: Record<Bearing, string> = {
  'at ease': 'at ease',
  'breathing fast': 'breathing fast, fins held close',
  'lying low': 'lying on the sand, gills pumping',
};

/** What is seen, in sentences. */
export function sightWords(sight: Sight): string[] {
  const { growths, animals, dead, level } = sight;
  return [
    WATER_WORDS[sight.water],
    ...(growths.length > 0
      ? [
          `${listWords(
            growths.map(
              ({ growth, extent }) =>
                `${GROWTH_WORDS[growth].name}: ${EXTENT_WORDS[extent].toLowerCase()}`,
            ),
          )}.`,
        ]
      : ['Rock, sand and glass are bare.']),
    ...(level === 'low'
      ? ['The water stands below its mark.']
      : level === 'over'
        ? ['The water stands above its mark.']
        : []),
    ...animals.map(
      ({ what, count, bearing }) =>
        `${count > 1 ? `${count} × ` : ''}${what}: ${BEARING_WORDS[bearing]}.`,
    ),
    ...dead.map(({ what, count }) => `${what}: ${countOf(count, 'body', 'bodies')} in the tank.`),
  ];
}

/** Longest that is looked ahead for something to see, hours. */
const AHEAD = 24 * 21;

/**
 * When something will be seen that is not seen now, ms; null where nothing is within three weeks.
 * @param now the practice clock, ms
 */
export function nextSight(start: Start, deeds: readonly Deed[], now: number): number | null {
  const from = Math.floor((now - start.filledAt) / HOUR_MS);
  const key = (state: WorldState, hour: number) => sightWords(sightOf({ state, hour })).join('\n');
  let before: string | null = null;
  let found: number | null = null;
  live(start, deeds, now + AHEAD * HOUR_MS, (state, hour) => {
    if (hour < from || found !== null) return;
    const seen = key(state, hour);
    if (before !== null && seen !== before) found = start.filledAt + hour * HOUR_MS;
    before = seen;
  });
  return found === null ? null : Math.max(found, now);
}
