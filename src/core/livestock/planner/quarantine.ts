import { daysUntilDay } from '../../time/zone';
import { pairFindings } from '../compatibility/pairRules';
import { callIt, type Finding, type Lodger } from '../compatibility/types';
import { TURNAROUND_DAYS, type StockFacts } from './facts';
import type { Wished } from './item';
import type { Variant } from './span';

/** Litres of quarantine for each cm of fish: a tank of 75 L holds some 19 cm. */
export const QUARANTINE_LITRES_PER_CM = 4;
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
  cm: number,
  tanks: readonly QuarantineTank[],
  days: number,
): Finding | null {
  if (days === 0 || lodger.animal.group !== 'fish') return null;
  if (tanks.some(({ litres }) => litres >= cm * QUARANTINE_LITRES_PER_CM)) return null;
  return {
    rule: 'roomToLive',
    severity: 'no',
    between: [lodger.animal.id],
    because: `${callIt(lodger.animal)}: no quarantine tank holds ${Math.round(cm)} cm of fish.`,
    mend: `One of ${Math.ceil((cm * QUARANTINE_LITRES_PER_CM) / 5) * 5} L.`,
  };
}

/** Two that would not share even the weeks of a quarantine. */
export function mustBeApart(a: Wished, b: Wished): boolean {
  const home = { litres: 100, lengthCm: null, sandCm: null, lid: true, temperature: null };
  if (pairFindings(a.lodger, b.lodger, home).some(({ severity }) => severity === 'no')) return true;
  const rivals =
    a.animal.group === 'fish' && b.animal.group === 'fish' && a.animal.family === b.animal.family;
  const quarrel = [a, b].some(({ late }) => late);
  return quarrel && (rivals || (a.late && b.late));
}
