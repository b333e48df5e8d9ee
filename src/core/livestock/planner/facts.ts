import * as z from 'zod';
import { countedReadings, latestReading, type TankHistory } from '../../history/tankHistory';
import type { Forecast } from '../../cycle/forecast/types';
import type { Log } from '../../records/log';
import { ANIMAL_GROUPS } from '../../records/kinds/animals';
import { tankHistory } from '../../history/derive';
import { DEFAULT_STOCKING, stockingSchema } from '../../records/schema/tank';
import { wishSchema } from '../../records/schema/wish';
import { protocolOf } from '../../quarantine/protocols';
import { animalSchema } from '../catalogue/schema';
import { DAY_MS, instant } from '../../time/zone';
import { fedNitrogen } from '../feeding';
import { isHere, rosterOf, type Lot } from '../roster';

const ranged = z.object({
  p10: z.number().nullable(),
  p50: z.number().nullable(),
  p90: z.number().nullable(),
});

/**
 * All that planning needs of a log, as plain data: who lives in a tank and who is wished for, what
 * the tank is, when its cycle is done, which quarantine there is. It crosses to a worker, and its
 * text is what a plan is cached under.
 */
export const stockFactsSchema = z.object({
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
  /** When its life began, ms; null while it is empty. */
  start: z.number().nullable(),
  /** When it is ready for fish: from now on where it is, in the range of the forecast before. */
  ready: ranged,
  isReady: z.boolean(),
  /** Whether alkalinity held within 0.3 dKH over the last three weeks. */
  alkalinitySteady: z.boolean(),
  /** Film or hair algae are there to be eaten. */
  algae: z.boolean(),
  stocking: stockingSchema,
  lots: z.array(
    z.object({
      id: z.string(),
      what: z.string(),
      group: z.enum(ANIMAL_GROUPS),
      species: z.string().optional(),
      sizeCm: z.number().optional(),
      arrivedAt: z.number(),
      here: z.number().nullable(),
      together: z.string().optional(),
    }),
  ),
  wishes: z.array(z.object({ id: z.string(), ...wishSchema.shape })),
  quarantine: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      litres: z.number(),
      /** When a batch that is in it clears, ms; null while it is free. */
      busyUntil: z.number().nullable(),
    }),
  ),
  /** What the food logged of late comes to, mg N a day; null where too little was logged. */
  fed: z.number().nullable(),
  own: z.array(animalSchema),
});
export type StockFacts = z.infer<typeof stockFactsSchema>;

/** Readings of three weeks, apart by this at most, dKH as meq/L. */
const STEADY_DAYS = 21;
const STEADY_SPREAD = 0.6 * 0.35663;

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

function plainLot(lot: Lot): StockFacts['lots'][number] {
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

/** A reading of temperature older than this says nothing of how warm it is run. */
const WARMTH_DAYS = 60;

/** Where it stands with the cycle: ready now, or when the forecast expects it. */
export interface CycleStanding {
  ready: boolean;
  forecast: Pick<Forecast, 'milestones' | 'fed'> | null;
}

/** Gathers what planning needs of a tank. */
export function stockFacts(
  log: Log,
  history: TankHistory,
  at: number,
  cycle: CycleStanding,
): StockFacts {
  const { tank, standing } = history;
  const { shell } = tank.volume;
  const warmth = latestReading(history, 'temperature');
  const running = standing.runningSince !== null && standing.runningSince <= at;
  const isReady = cycle.ready || running;
  const dates = cycle.forecast?.fed ? cycle.forecast.milestones.ready : null;
  return {
    tankId: history.tankId,
    tank: tank.name,
    zone: tank.zone,
    at,
    netLitres: history.netLitres,
    home: {
      litres: history.netLitres,
      lengthCm: shell.by === 'dimensions' ? shell.box.length : null,
      sandCm: tank.untold?.includes('rock') ? null : tank.volume.sandDepth,
      lid: standing.lid,
      temperature: warmth && at - warmth.at < WARMTH_DAYS * DAY_MS ? warmth.best : null,
    },
    heater: standing.heaterVerifiedAt !== null,
    start: history.start,
    ready: isReady
      ? { p10: at, p50: at, p90: at }
      : { p10: dates?.p10 ?? null, p50: dates?.p50 ?? null, p90: dates?.p90 ?? null },
    isReady,
    alkalinitySteady: alkalinitySteady(history, at),
    algae: algaeSeen(history),
    stocking: tank.stocking ?? DEFAULT_STOCKING,
    lots: rosterOf(history).filter(isHere).map(plainLot),
    wishes: log.wishes
      .filter(({ body }) => body.tankId === history.tankId)
      .map(({ id, body }) => ({ id, ...body }))
      .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)),
    quarantine: quarantineTanks(log, at),
    fed: fedNitrogen(history, at),
    own: log.species.map(({ body }) => body),
  };
}

/** The quarantine tanks of the household, and until when a batch holds each. */
function quarantineTanks(log: Log, at: number): StockFacts['quarantine'] {
  return log.tanks
    .filter(({ body }) => body.kind === 'quarantine')
    .map(({ id, body }) => ({
      id,
      name: body.name,
      litres: tankHistory(log, id, at).netLitres,
      busyUntil: busyUntil(log, id),
    }));
}

/** Days after a batch in which a quarantine tank is emptied, disinfected, rinsed and dried. */
export const TURNAROUND_DAYS = 3;

function busyUntil(log: Log, tankId: string): number | null {
  const going = log.batches.filter(({ body }) => body.tankId === tankId && body.endedAt === null);
  const ends = going.map(({ body }) => {
    const since = instant(body.restartedAt ?? body.begunAt);
    return since + protocolOf(body.protocol).days * DAY_MS;
  });
  return ends.length > 0 ? Math.max(...ends) : null;
}
