import { daysUntilDay } from '../../../time/zone';
import type { CatalogueAnimal } from '../../catalogue';
import { callIt, type Finding, type Lodger } from '../../compatibility/types';
import { keptApart, SLIME_LITRES } from '../../sharing';
import { TURNAROUND_DAYS, type StockFacts } from '../facts';
import type { Wished } from '../item';
import type { Variant } from './span';

/** Without a quarantine tank on record the plan counts on one of this size, after some days to set it up. */
const ASSUMED_QUARANTINE = { litres: 75, inDays: 7 };
/** A quarantine tank, by the day it is free from. */
export interface QuarantineTank {
  name: string;
  litres: number;
  freeFrom: number;
}

/** The quarantine tanks there are, each with the day it is free from. */
export function quarantineTanks(
  facts: StockFacts,
  today: number,
  { ready }: Variant,
): QuarantineTank[] {
  return facts.quarantine.map(({ name, litres, clears }) => ({
    name,
    litres,
    freeFrom:
      clears === null
        ? 0
        : Math.max(0, daysUntilDay(today, clears[ready], facts.zone) + TURNAROUND_DAYS),
  }));
}

/** The tank that a plan counts on where none is on record. */
export function assumedTank(): QuarantineTank {
  return {
    name: 'a quarantine tank',
    litres: ASSUMED_QUARANTINE.litres,
    freeFrom: ASSUMED_QUARANTINE.inDays,
  };
}

/** What keeps a wish out of every quarantine tank; null where one holds it. */
export function quarantineRefusal(
  lodger: Lodger,
  litres: number,
  tanks: readonly QuarantineTank[],
  days: number,
): Finding | null {
  if (days === 0 || lodger.animal.group !== 'fish') return null;
  if (tanks.some((tank) => tank.litres >= litres)) return null;
  return {
    rule: 'roomToLive',
    severity: 'no',
    between: [lodger.animal.id],
    because: `${callIt(lodger.animal)}: no quarantine tank is large enough for ${lodger.count === 1 ? 'it' : `${lodger.count} of them`}.`,
    mend: `One of ${Math.ceil(litres / 5) * 5} L.`,
    instead: {
      what: `A food-safe tub of ${Math.ceil(litres / 5) * 5} L or more with heater, filter, air and lid, or a smaller kind.`,
      price: 'Room for a month, and more water to mix for its changes.',
    },
  };
}

/** Two that must not share the weeks of a quarantine. */
export function mustBeApart(a: Wished, b: Wished): boolean {
  return keptApart(a.lodger, b.lodger) !== null;
}

/** Whether a tank is large enough for company: what sheds slime has it in some water only. */
export function roomForCompany(litres: number, animals: readonly CatalogueAnimal[]): boolean {
  return (
    litres >= SLIME_LITRES || animals.every((animal) => animal.group !== 'fish' || !animal.mucus)
  );
}
