import type { CatalogueAnimal } from '../livestock/catalogue';
import type { Finding, Of } from '../livestock/compatibility/types';
import {
  LEVELS,
  LIGHT_LEVELS,
  type Level,
  type LightLevel,
  type Position,
} from '../records/schema/position';
import type { Reef } from '../records/schema/tank';
import { formatPlain } from '../units/format';

type Coral = Of<'coral'>;

/** A coral at its place. */
export interface Placed {
  id: string;
  position: Position;
  animal: Coral;
}

/** What stands against a place. */
export interface PlaceFinding {
  rule: 'light' | 'flow' | 'stingRange' | 'chemistry' | 'room';
  severity: Finding['severity'];
  /** Ids of the positions it is between; one alone for a coral and its place. */
  between: string[];
  because: string;
  mend: string;
}

/** Height of each level over the floor, cm, in a tank of usual height. */
export const LEVEL_HEIGHTS_CM: Record<Level, number> = { sand: 0, low: 10, middle: 22, high: 34 };
/** And of the water over it, cm. */
export const LEVEL_TOP_CM = 46;
/** Beyond its sweepers a coral is left so much room, cm. */
const GAP = 5;
/** How far a colony spreads from its middle in a year or two, cm. */
const SPREAD: Record<Coral['growth'], number> = { slow: 4, medium: 7, fast: 12 };

export function isCoral(animal: CatalogueAnimal | undefined): animal is Coral {
  return animal?.group === 'coral';
}

/** Straight distance between two places, cm. */
export function distanceCm(a: Position, b: Position): number {
  return Math.hypot(a.x - b.x, a.z - b.z, LEVEL_HEIGHTS_CM[a.level] - LEVEL_HEIGHTS_CM[b.level]);
}

/** The flow at a place: by thirds of the tank's length. */
export function flowAt(reef: Reef, x: number, lengthCm: number): Reef['flow'][number] {
  const third = Math.min(2, Math.max(0, Math.floor((3 * x) / lengthCm)));
  return reef.flow[third] as Reef['flow'][number];
}

const FLOWS = ['gentle', 'medium', 'strong'] as const;

function lightFinding({ id, position, animal }: Placed, reef: Reef): PlaceFinding | null {
  const light = reef.light[position.level];
  const place = (level: string) => ['none', ...LIGHT_LEVELS].indexOf(level);
  const off = Math.max(
    place(animal.light.low) - place(light),
    place(light) - place(animal.light.high),
  );
  if (off <= 0) return null;
  const dark = place(light) < place(animal.light.low);
  const span =
    animal.light.low === animal.light.high
      ? animal.light.low
      : `${animal.light.low} to ${animal.light.high}`;
  return {
    rule: 'light',
    severity: off > 1 ? 'no' : 'care',
    between: [id],
    because: `${position.what} wants ${span} light; ${position.level === 'sand' ? 'the sand' : `the ${position.level} rock`} has ${light}.`,
    mend: dark ? 'Higher up.' : 'Lower, or in the shade of a ledge.',
  };
}

function flowFinding(
  { id, position, animal }: Placed,
  reef: Reef,
  lengthCm: number,
): PlaceFinding | null {
  const flow = flowAt(reef, position.x, lengthCm);
  const off = FLOWS.indexOf(flow) - FLOWS.indexOf(animal.flow);
  if (off === 0) return null;
  return {
    rule: 'flow',
    severity: Math.abs(off) > 1 ? 'no' : 'care',
    between: [id],
    because: `${position.what} wants ${animal.flow} flow; there it is ${flow}.`,
    mend: off > 0 ? 'Out of the stream, behind rock.' : 'Where more water passes.',
  };
}

/** How far apart two corals have to stand, cm; 0 where they bear to touch. */
export function gapBetween(a: Coral, b: Coral): number {
  if (a.family === b.family) return 0;
  const stingRange = Math.max(a.sweepersCm, b.sweepersCm);
  return stingRange > 0 ? stingRange + GAP : 2;
}

function pairFinding(a: Placed, b: Placed): PlaceFinding | null {
  const apart = distanceCm(a.position, b.position);
  const gap = gapBetween(a.animal, b.animal);
  const between = [a.id, b.id];
  if (apart < gap && Math.max(a.animal.sweepersCm, b.animal.sweepersCm) > 0) {
    const [long, short] = a.animal.sweepersCm >= b.animal.sweepersCm ? [a, b] : [b, a];
    return {
      rule: 'stingRange',
      severity: apart <= long.animal.sweepersCm ? 'no' : 'care',
      between,
      because: `${long.position.what} reaches ${formatPlain(long.animal.sweepersCm)} cm at night; ${short.position.what} stands ${formatPlain(apart, 0)} cm away.`,
      mend: `${formatPlain(gap)} cm between them, or one on each side of a rock.`,
    };
  }
  const room = SPREAD[a.animal.growth] + SPREAD[b.animal.growth];
  if (a.animal.family !== b.animal.family && apart < room) {
    const fast = SPREAD[a.animal.growth] >= SPREAD[b.animal.growth] ? a : b;
    return {
      rule: 'room',
      severity: 'care',
      between,
      because: `${a.position.what} and ${b.position.what} grow into each other: ${formatPlain(apart, 0)} cm now, and ${fast.position.what} spreads ${formatPlain(SPREAD[fast.animal.growth])} cm in a year or two.`,
      mend: 'More room now, before they are glued; a rock of its own for what spreads.',
    };
  }
  return null;
}

function chemistry(placed: readonly Placed[]): PlaceFinding[] {
  const fighters = placed.filter(({ animal }) => animal.chemical);
  const sufferers = placed.filter(({ animal }) => animal.kind === 'sps');
  const [a] = fighters;
  const [b] = sufferers;
  if (!a || !b) return [];
  return [
    {
      rule: 'chemistry',
      severity: 'care',
      between: [a.id, b.id],
      because: `${a.position.what} fights through the water, wherever it stands; ${b.position.what} suffers by it.`,
      mend: 'Carbon renewed in time, and water changes.',
    },
  ];
}

/** Everything that stands against corals at their places: what harms first. */
export function placeFindings(
  placed: readonly Placed[],
  reef: Reef,
  lengthCm: number,
): PlaceFinding[] {
  const own = placed.flatMap((one) =>
    [lightFinding(one, reef), flowFinding(one, reef, lengthCm)].flatMap((found) => found ?? []),
  );
  const pairs = placed.flatMap((a, i) =>
    placed.slice(i + 1).flatMap((b) => pairFinding(a, b) ?? []),
  );
  return [...pairs, ...own, ...chemistry(placed)].sort((a, b) =>
    a.severity === b.severity ? 0 : a.severity === 'no' ? -1 : 1,
  );
}

/** A dated step of a coral's way to its light. */
export interface LightStep {
  /** Days from the day it came in. */
  day: number;
  level: Level;
}

/** Days at each level on the way. */
const STEP_DAYS = 14;

/**
 * The way of a piece from the light it had to that of its place: at once where they match or it comes
 * down, else from the height that matches, a level every two weeks.
 */
export function lightSteps(
  cameFrom: LightLevel | undefined,
  target: Level,
  reef: Reef,
): LightStep[] {
  const had = cameFrom ?? 'low';
  const goal = LEVELS.indexOf(target);
  const place = (level: LightLevel) => LIGHT_LEVELS.indexOf(level);
  const from = LEVELS.findLastIndex(
    (level, i) => i <= goal && place(reef.light[level]) <= place(had),
  );
  const first = from < 0 ? 0 : from;
  return LEVELS.slice(first, goal + 1).map((level, n) => ({ day: n * STEP_DAYS, level }));
}

/** Usual draw of a colony on alkalinity, dKH a day in 100 L. */
const DRAW: Record<Coral['alkalinityDemand'], number> = { low: 0.01, medium: 0.04, high: 0.08 };

/**
 * What the corals of a tank usually draw, dKH a day, from half to twice: by their kind alone, since
 * nobody measures a colony. To be set against what is measured.
 */
export function usualDraw(corals: readonly Coral[], litres: number): { low: number; high: number } {
  const sum = corals.reduce((total, { alkalinityDemand }) => total + DRAW[alkalinityDemand], 0);
  const usual = (sum * 100) / litres;
  return { low: usual / 2, high: usual * 2 };
}
