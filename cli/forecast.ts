import { countOf, headsOfType, instant, tankHistory, type Log, type RefusedRow } from '../src/core';
import {
  cycleProblem,
  forecastOf,
  simulate,
  type CycleProblem,
  type DateRange,
  type Forecast,
} from '../src/core/cycle/forecast';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import { kitAtHand } from '../src/core/cycle/problem/observations';
import type { ProblemKit } from '../src/core/cycle/problem/types';
import {
  conditionTestSession,
  nextTestSession,
  type NextTestSession,
} from '../src/core/cycle/nextTestSession';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { bandsOfLog } from './logFile';
import { iso } from './iso';

function dates({ p10, p50, p90 }: Pick<DateRange, 'p10' | 'p50' | 'p90'>) {
  return { p10: iso(p10), p50: iso(p50), p90: iso(p90) };
}

/** The problem of a tank at a moment; entries after it are left out. */
export function problemOf(log: Log, tankId: string, at: number): CycleProblem {
  return cycleProblem(tankHistory(log, tankId, at), at);
}

/** Kits that the keeper has at hand, used before or not. */
export function kitsAtHand(log: Log): ProblemKit[] {
  return headsOfType(log, 'kit')
    .filter((kit) => kit.body.inUse)
    .flatMap((kit) => kitAtHand(kit.id, kit.body) ?? []);
}

/** A forecast as the command prints it. */
export function forecastJson(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  effort: InferenceOptions,
  refused: readonly RefusedRow[] = [],
): Record<string, unknown> {
  const history = tankHistory(log, tank.id, at);
  const forecast: Forecast = forecastOf(cycleProblem(history, at), {
    ...effort,
    atHand: kitsAtHand(log),
  });
  const { milestones, nextTest } = forecast;
  const bands = bandsOfLog(log);
  const conditions = forecast.fed ? conditionTestSession(history, bands, at) : null;
  const testSession = nextTest ? nextTestSession(nextTest, history, bands, at) : conditions;
  const later = headsOfType(log, 'entry').filter(
    ({ body }) => body.tankId === tank.id && instant(body.at) > at,
  ).length;
  return {
    tank: tank.body.name,
    at: iso(at),
    doneRule: tank.body.doneRule.rule,
    milestones: {
      ammoniaClears: dates(milestones.ammoniaClears),
      nitriteClears: dates(milestones.nitriteClears),
      ready: dates(milestones.ready),
    },
    scheduledDoses: forecast.scheduledDoses.map((dose) => ({
      ...dates(dose),
      rise: dose.rise,
      probability: dose.probability,
    })),
    capacity: forecast.capacity,
    clears: forecast.clears,
    nextTest: testSession && {
      ...testSessionJson(testSession),
      at: iso(nextTest?.at ?? at),
      purpose: nextTest?.purpose ?? 'conditions',
    },
    stall: forecast.stall.map(({ cause, probability, remedy }) => ({
      cause,
      probability,
      remedy,
    })),
    misfit: forecast.misfit,
    remarks: [
      ...refusedWords(refused),
      ...(later > 0
        ? [
            `${countOf(later, 'entry', 'entries')} ${later === 1 ? 'is' : 'are'} dated after this moment and left out.`,
          ]
        : []),
      ...forecast.remarks,
    ],
  };
}

/** A test session with its sum in three figures. */
function testSessionJson({ raise, ...testSession }: NextTestSession) {
  const three = (value: number) => Number(value.toPrecision(3));
  return {
    ...testSession,
    raise: raise && { ...raise, now: three(raise.now), grams: three(raise.grams) },
  };
}

/** What of the file could not be read, and so was left out. */
function refusedWords(refused: readonly RefusedRow[]): string[] {
  const [first] = refused;
  if (!first) return [];
  return [
    `${countOf(refused.length, 'record')} could not be read and ${refused.length === 1 ? 'was' : 'were'} left out; record ${first.row}: ${first.why}.`,
  ];
}

/** The median course as CSV: mg N/L, alkalinity in dKH. */
export function simulateCsv(
  log: Log,
  tankId: string,
  at: number,
  days: number,
  effort: InferenceOptions,
) {
  const rows = simulate(problemOf(log, tankId, at), days, effort);
  return [
    'at,ammonia,nitrite,nitrate,freeAmmonia,alkalinity',
    ...rows.map((r) =>
      [iso(r.at), r.ammonia, r.nitrite, r.nitrate, r.freeAmmonia, r.alkalinity].join(','),
    ),
  ].join('\n');
}
