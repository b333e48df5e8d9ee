import { protocolOf } from '../../quarantine/protocols';
import { DAY_MS, instant } from '../../time/zone';
import { fedNitrogen } from '../feeding';
import { isHere, rosterOf, type Lot } from '../roster';
import type { StockSource } from './source';

/** A lot as planning knows it. */
export type PlainLot = Pick<
  Lot,
  'id' | 'what' | 'group' | 'species' | 'sizeCm' | 'arrivedAt' | 'here' | 'together'
>;

/**
 * All that planning goes by: who lives in a tank and who is wished for, what the tank is, when its
 * cycle is done, which quarantine there is.
 */
export interface StockFacts extends Omit<StockSource, 'animals' | 'feed' | 'quarantine'> {
  lots: PlainLot[];
  /** What the food logged of late comes to, mg N a day; null where too little was logged. */
  fed: number | null;
  quarantine: {
    id: string;
    name: string;
    litres: number;
    /** When a batch that is in it clears, ms; null while it is free. */
    busyUntil: number | null;
  }[];
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

/** What a source comes to: lots by their entries, food by its nitrogen, batches by their protocols. */
export function factsOf(source: StockSource): StockFacts {
  const { animals, feed, quarantine, ...rest } = source;
  const history = { tank: { zone: source.zone }, entries: { animals, feed, weighing: [] } };
  return {
    ...rest,
    lots: rosterOf(history).filter(isHere).map(plainLot),
    fed: fedNitrogen(history, source.at),
    quarantine: quarantine.map(({ batches, ...tank }) => ({
      ...tank,
      busyUntil: batches.length > 0 ? Math.max(...batches.map(clearsAt)) : null,
    })),
  };
}

/** When a batch clears without another sign, ms. */
function clearsAt({
  begunAt,
  restartedAt,
  protocol,
}: StockSource['quarantine'][number]['batches'][number]) {
  return instant(restartedAt ?? begunAt) + protocolOf(protocol).days * DAY_MS;
}

/** Days after a batch in which a quarantine tank is emptied, disinfected, rinsed and dried. */
export const TURNAROUND_DAYS = 3;
