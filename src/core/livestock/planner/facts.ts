import { batchClock, type BatchClock } from '../../quarantine/clock/clock';
import { protocolOf } from '../../quarantine/protocols';
import { cohortsIn } from '../../quarantine/who';
import { fedNitrogen } from '../food/feeding';
import { isHere, rosterOf, type Cohort } from '../roster/roster';
import type { StockSource } from './source';

/** A group as planning knows it. */
export type PlainCohort = Pick<
  Cohort,
  'id' | 'what' | 'group' | 'species' | 'sizeCm' | 'arrivedAt' | 'here' | 'together'
>;

/** A wish, or an animal that is in quarantine already whether anybody wished for it or not. */
export type PlanWish = StockSource['wishes'][number] & {
  inQuarantine?: {
    /** The tank it is in. */
    quarantine: string;
    clears: BatchClock['release'];
    /** What began its clock anew the last time; null where nothing did. */
    restarted: string | null;
  };
};

/** An animal in quarantine for a tank. */
interface Arriving extends NonNullable<PlanWish['inQuarantine']> {
  id: string;
  species: string;
  count: number;
}

/**
 * All that planning goes by: who lives in a tank and who is wished for, what the tank is, when its
 * cycle is done, which quarantine there is.
 */
export interface StockFacts extends Omit<
  StockSource,
  'animals' | 'feed' | 'wishes' | 'quarantine' | 'protocols'
> {
  wishes: PlanWish[];
  quarantine: {
    id: string;
    name: string;
    litres: number;
    /** When the batch in it clears, ms; null while it is free. */
    clears: BatchClock['release'] | null;
  }[];
  /** Clear days that its protocol asks for. */
  quarantineDays: number;
  cohorts: PlainCohort[];
  /** What the food logged of late comes to, mg N a day; null where too little was logged. */
  fed: number | null;
}

function plainCohort(cohort: Cohort): PlainCohort {
  return {
    id: cohort.id,
    what: cohort.what,
    group: cohort.group,
    ...(cohort.species === undefined ? {} : { species: cohort.species }),
    ...(cohort.sizeCm === undefined ? {} : { sizeCm: cohort.sizeCm }),
    arrivedAt: cohort.arrivedAt,
    here: cohort.here,
    ...(cohort.together === undefined ? {} : { together: cohort.together }),
  };
}

/**
 * Wishes with those in quarantine among them. A wish of which all came in takes their dates and keeps
 * its place; of one that wants more, what is left is planned by itself.
 */
function withArriving({ wishes, tankId }: StockSource, arriving: readonly Arriving[]): PlanWish[] {
  let left: PlanWish[] = [...wishes];
  const first = Math.min(0, ...wishes.map(({ order }) => order)) - 1;
  const come = arriving.map(({ id, species, count, quarantine, clears, restarted }): PlanWish => {
    const inQuarantine = { quarantine, clears, restarted };
    const wish = left.find((one) => one.species === species && !one.inQuarantine);
    if (wish && wish.count <= count) {
      left = left.filter((one) => one !== wish);
      return { ...wish, count, inQuarantine };
    }
    if (wish) {
      left = left.map((one) => (one === wish ? { ...one, count: one.count - count } : one));
    }
    const order = wish?.order ?? first;
    const partner = wish?.partner === undefined ? {} : { partner: wish.partner };
    return { id, tankId, species, count, order, inQuarantine, ...partner };
  });
  return [...come, ...left].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
}

/** When each quarantine tank is free, and who is in one for this tank. */
function batchesOf(source: StockSource): {
  quarantine: StockFacts['quarantine'];
  arriving: Arriving[];
} {
  const arriving: Arriving[] = [];
  const quarantine = source.quarantine.map(
    ({ id, name, litres, zone, batches, dailyChecks, animals, readings }) => {
      let latest: BatchClock['release'] | null = null;
      for (const { id: batchId, body: batch } of batches) {
        const { days, moves, holds } = protocolOf(batch.protocol, source.protocols);
        const { release, restarts } = batchClock(
          {
            ...{ batch, dailyChecks, animals, zone, days, moves, holds },
            readings: holds && readings[holds.parameter],
          },
          source.at,
        );
        if (!latest || release.p50 > latest.p50) latest = release;
        if (batch.forTankId !== source.tankId) continue;
        const restarted = restarts.at(-1)?.because ?? null;
        cohortsIn(batch, { tank: { zone }, entries: { animals } }).forEach(
          ({ species, here }, n) => {
            if (species === undefined) return;
            const which = { id: `${batchId}/${n}`, species, count: here ?? 1 };
            arriving.push({ ...which, quarantine: name, clears: release, restarted });
          },
        );
      }
      return { id, name, litres, clears: latest };
    },
  );
  return { quarantine, arriving };
}

/** What a source comes to: groups by their entries, food by its nitrogen, batches among the wishes. */
export function factsOf(source: StockSource): StockFacts {
  const { animals, feed, wishes: _wishes, protocols, ...rest } = source;
  const history = { tank: { zone: source.zone }, entries: { animals, feed, weighing: [] } };
  const { quarantine, arriving } = batchesOf(source);
  return {
    ...rest,
    wishes: withArriving(source, arriving),
    quarantine,
    quarantineDays: protocolOf(source.stocking.protocol, protocols).days,
    cohorts: rosterOf(history).filter(isHere).map(plainCohort),
    fed: fedNitrogen(history, source.at),
  };
}

/** Days after a batch in which a quarantine tank is emptied, disinfected, rinsed and dried. */
export const TURNAROUND_DAYS = 3;
