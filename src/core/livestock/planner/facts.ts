import { fedNitrogen } from '../feeding';
import { isHere, rosterOf, type Lot } from '../roster';
import type { StockSource } from './source';

/** A lot as planning knows it. */
export type PlainLot = Pick<
  Lot,
  'id' | 'what' | 'group' | 'species' | 'sizeCm' | 'arrivedAt' | 'here' | 'together'
>;

/** A wish, or an animal that is in quarantine already whether anybody wished for it or not. */
export type PlanWish = StockSource['wishes'][number] & {
  inQuarantine?: Pick<StockSource['arriving'][number], 'quarantine' | 'clears' | 'restarted'>;
};

/**
 * All that planning goes by: who lives in a tank and who is wished for, what the tank is, when its
 * cycle is done, which quarantine there is.
 */
export interface StockFacts extends Omit<StockSource, 'animals' | 'feed' | 'arriving' | 'wishes'> {
  wishes: PlanWish[];
  lots: PlainLot[];
  /** What the food logged of late comes to, mg N a day; null where too little was logged. */
  fed: number | null;
}

function plainLot(lot: Lot): PlainLot {
  return {
    id: lot.id,
    what: lot.what,
    group: lot.group,
    ...(lot.species === undefined ? {} : { species: lot.species }),
    ...(lot.sizeCm === undefined ? {} : { sizeCm: lot.sizeCm }),
    arrivedAt: lot.arrivedAt,
    here: lot.here,
    ...(lot.together === undefined ? {} : { together: lot.together }),
  };
}

/**
 * Wishes with those in quarantine among them. A wish of which all came in takes their dates and keeps
 * its place; of one that wants more, what is left is planned by itself.
 */
function withArriving({ wishes, arriving, tankId }: StockSource): PlanWish[] {
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
    return { id, tankId, species, count, order: wish?.order ?? first, inQuarantine };
  });
  return [...come, ...left].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
}

/** What a source comes to: lots by their entries, food by its nitrogen, batches among the wishes. */
export function factsOf(source: StockSource): StockFacts {
  const { animals, feed, arriving: _arriving, wishes: _wishes, ...rest } = source;
  const history = { tank: { zone: source.zone }, entries: { animals, feed, weighing: [] } };
  return {
    ...rest,
    wishes: withArriving(source),
    lots: rosterOf(history).filter(isHere).map(plainLot),
    fed: fedNitrogen(history, source.at),
  };
}

/** Days after a batch in which a quarantine tank is emptied, disinfected, rinsed and dried. */
export const TURNAROUND_DAYS = 3;
