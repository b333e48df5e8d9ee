import type { SchoolChoice, SchoolId } from '../../records/schema/tank';
import type { CriterionId } from './types';

/** A way of deciding that a cycle is done, as data. */
export interface School {
  id: SchoolId;
  name: string;
  /** What it asks, in one sentence. */
  asks: string;
  /** What one gains and gives up by it. */
  trades: string;
  /** The criteria that are its own, in the order they are shown. */
  criteria: readonly CriterionId[];
  /** Criteria shown beside them that decide nothing under this school. */
  supports: readonly CriterionId[];
}

export const SCHOOLS: readonly School[] = [
  {
    id: 'bothZeroHeld',
    name: 'Both zero, held',
    asks: 'Ammonia and nitrite were seen, then both read zero and stay there for a week or two.',
    trades: 'A week longer than the shortest way. Catches a kit misread and a colony on the edge.',
    criteria: ['zeroHeld'],
    supports: ['nitrateSeen'],
  },
  {
    id: 'bothZero',
    name: 'Both zero',
    asks: 'Ammonia and nitrite were seen, then both read zero on the same day.',
    trades: 'The quickest by tests. One misread vial is enough to be wrong.',
    criteria: ['zeroSameDay'],
    supports: ['nitrateSeen'],
  },
  {
    id: 'challenge',
    name: 'Challenge dose',
    asks: 'A dose of 2 ppm ammonia, as the kit counts it, and the nitrite it makes are both gone a day or two later.',
    trades:
      'Proves a size, not only a presence. Costs alkalinity, reagent and often several doses.',
    criteria: ['challengePassed'],
    supports: ['nitrateSeen'],
  },
  {
    id: 'nitrateLevel',
    name: 'Nitrate levels off',
    asks: 'Nitrate rose and has stopped rising, with ammonia and nitrite at zero.',
    trades:
      'One test more. Algae eat nitrate and nitrite is read as nitrate, so it misleads easily.',
    criteria: ['nitrateLevel'],
    supports: [],
  },
  {
    id: 'bottleProgramme',
    name: 'Bottle programme',
    asks: 'The days that the bottle names have passed, and tests confirm it.',
    trades: 'Plannable. A dead bottle runs its days like a living one, so the tests still decide.',
    criteria: ['programmeDone'],
    supports: ['nitrateSeen'],
  },
  {
    id: 'algaeSuccession',
    name: 'Algae succession',
    asks: 'Rusty diatoms, then green film, then a level stand were seen, with both at zero.',
    trades: 'Needs light and patience, no reagent. Slow, and easily misread.',
    criteria: ['algaeSuccession'],
    supports: ['nitrateSeen'],
  },
];

export function schoolOf(id: SchoolId): School {
  const school = SCHOOLS.find((candidate) => candidate.id === id);
  if (!school) throw new RangeError(`Unknown school ${id}`);
  return school;
}

/** "both zero, held 7 days": the choice with its own figure, for a line of text. */
export function schoolWords(choice: SchoolChoice): string {
  switch (choice.school) {
    case 'bothZero':
      return 'both zero';
    case 'bothZeroHeld':
      return `both zero, held ${choice.holdDays} days`;
    case 'challenge':
      return `challenge dose, ${choice.windowHours} h`;
    case 'nitrateLevel':
      return 'nitrate levels off';
    case 'bottleProgramme':
      return `bottle programme, ${choice.programmeDays} days`;
    case 'algaeSuccession':
      return 'algae succession';
  }
}
