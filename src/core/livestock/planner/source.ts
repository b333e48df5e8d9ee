import { MEQ_PER_DKH } from '../../units/constants';
import * as z from 'zod';
import { tankHistory } from '../../history/derive';
import { countedReadings, type TankHistory } from '../../history/tankHistory';
import type { Forecast } from '../../cycle/forecast/types';
import type { Log } from '../../records/log';
import { animals } from '../../records/kinds/animals';
import { dailyCheck } from '../../records/kinds/dailyCheck';
import { batchSchema } from '../../records/schema/batch';
import { portionsOf } from '../../water/learned';
import { fedGrams, feed } from '../../records/kinds/feed';
import { protocolSchema } from '../../records/schema/protocol';
import { DEFAULT_STOCKING, stockingSchema } from '../../records/schema/tank';
import { wishSchema } from '../../records/schema/wish';
import { animalSchema } from '../catalogue/schema';
import { homeOf } from '../add/home';
import { DAY_MS, instant } from '../../time/zone';

const ranged = z.object({
  p10: z.number().nullable(),
  p50: z.number().nullable(),
  p90: z.number().nullable(),
});

const logged = <S extends z.ZodType>(entry: S) =>
  z.array(z.object({ id: z.string(), at: z.number(), entry }));

const plainReadings = z.array(z.object({ at: z.number(), best: z.number() }));

/**
 * What of a log stocking is judged by, as it was recorded. It crosses to a worker, which makes facts
 * of it, and its text is what an answer is kept under. Gathering it takes neither the catalogue nor
 * what rests on it, so the page can.
 */
export const stockSourceSchema = z.object({
  tankId: z.string(),
  tank: z.string(),
  zone: z.string(),
  at: z.number(),
  netLitres: z.number().positive(),
  home: z.object({
    litres: z.number().nullable(),
    lengthCm: z.number().nullable(),
    sandCm: z.number().nullable(),
    lid: z.boolean().nullable(),
    temperature: z.number().nullable(),
  }),
  heater: z.boolean(),
  start: z.number().nullable(),
  ready: ranged,
  isReady: z.boolean(),
  alkalinitySteady: z.boolean(),
  algae: z.boolean(),
  stocking: stockingSchema,
  animals: logged(animals.schema),
  /** Feedings of the last weeks, in grams. */
  feed: logged(feed.schema),
  wishes: z.array(z.object({ id: z.string(), ...wishSchema.shape })),
  quarantine: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      litres: z.number(),
      zone: z.string(),
      /** Batches that go on in it, and all that their clocks are read from. */
      batches: z.array(z.object({ id: z.string(), body: batchSchema })),
      dailyChecks: logged(dailyCheck.schema),
      animals: logged(animals.schema),
      /** What a protocol may hold, canonical units. */
      readings: z.object({ temperature: plainReadings, salinity: plainReadings }),
    }),
  ),
  /** Ways of quarantine of the keeper's own. */
  protocols: z.array(protocolSchema),
  own: z.array(animalSchema),
});
export type StockSource = z.infer<typeof stockSourceSchema>;

/** Days of feeding that may be looked at. */
const FEED_DAYS = 15;
/** Readings of three weeks, apart by this at most, dKH as meq/L. */
const STEADY_DAYS = 21;
const STEADY_SPREAD = 0.6 * MEQ_PER_DKH;

function alkalinitySteady(history: TankHistory, at: number): boolean {
  const recent = countedReadings(history, 'alkalinity').filter(
    (reading) => at - reading.at <= (STEADY_DAYS + 4) * DAY_MS,
  );
  const [first] = recent;
  if (!first || recent.length < 3 || at - first.at < (STEADY_DAYS - 4) * DAY_MS) return false;
  const values = recent.map(({ best }) => best);
  return Math.max(...values) - Math.min(...values) <= STEADY_SPREAD;
}

function algaeSeen(history: TankHistory): boolean {
  return (['film', 'hair', 'diatoms'] as const).some((growth) => {
    const last = history.entries.sighting.findLast(({ entry }) => entry.growth === growth);
    return last !== undefined && last.entry.extent !== 'none';
  });
}

/** Where it stands with the cycle: ready now, or when the forecast expects it. */
export interface CycleStanding {
  ready: boolean;
  forecast: Pick<Forecast, 'milestones' | 'fed'> | null;
}

/** Gathers what stocking is judged by. */
export function stockSource(
  log: Log,
  history: TankHistory,
  at: number,
  cycle: CycleStanding,
): StockSource {
  const { tank, standing } = history;
  const portions = portionsOf(history);
  const running = standing.runningSince !== null && standing.runningSince <= at;
  const isReady = cycle.ready || running;
  const dates = cycle.forecast?.fed ? cycle.forecast.milestones.ready : null;
  return {
    tankId: history.tankId,
    tank: tank.name,
    zone: tank.zone,
    at,
    netLitres: history.netLitres,
    home: homeOf(history, at),
    heater: standing.heaterVerifiedAt !== null,
    start: history.start,
    ready: isReady
      ? { p10: at, p50: at, p90: at }
      : { p10: dates?.p10 ?? null, p50: dates?.p50 ?? null, p90: dates?.p90 ?? null },
    isReady,
    alkalinitySteady: alkalinitySteady(history, at),
    algae: algaeSeen(history),
    stocking: tank.stocking ?? DEFAULT_STOCKING,
    animals: history.entries.animals,
    feed: history.entries.feed
      .filter((one) => at - one.at <= FEED_DAYS * DAY_MS)
      .map((one) => ({
        ...one,
        entry: { ...one.entry, amount: { by: 'grams', grams: fedGrams(one.entry, portions) } },
      })),
    wishes: log.wishes
      .filter(({ body }) => body.tankId === history.tankId)
      .map(({ id, body }) => ({ id, ...body }))
      .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)),
    quarantine: quarantineTanks(log, at),
    protocols: log.protocols.map(({ body }) => body),
    own: log.species.map(({ body }) => body),
  };
}

/** The quarantine tanks of the household, with what the clocks of their batches are read from. */
function quarantineTanks(log: Log, at: number): StockSource['quarantine'] {
  return log.tanks
    .filter(({ body }) => body.kind === 'quarantine')
    .map(({ id, body }) => {
      const history = tankHistory(log, id, at);
      const { netLitres, entries } = history;
      const batches = log.batches
        .filter(({ body: batch }) => batch.tankId === id && batch.endedAt === null)
        .map(({ id: batchId, body: batch }) => ({ id: batchId, body: batch }));
      const first = Math.min(...batches.map(({ body: batch }) => instant(batch.begunAt)));
      const since = ({ at: when }: { at: number }) => when >= first - DAY_MS;
      const read = (parameter: 'temperature' | 'salinity') =>
        countedReadings(history, parameter)
          .filter(since)
          .map(({ at: when, best }) => ({ at: when, best }));
      return {
        id,
        name: body.name,
        litres: netLitres,
        zone: body.zone,
        batches,
        dailyChecks: entries.dailyCheck.filter(since),
        animals: entries.animals,
        readings: { temperature: read('temperature'), salinity: read('salinity') },
      };
    });
}
