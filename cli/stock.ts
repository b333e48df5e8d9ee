import { tankHistory, type Log } from '../src/core';
import { cycleProblem, foretell, infer, type Posterior } from '../src/core/cycle/forecast';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import { canAdd } from '../src/core/livestock/add/add';
import type { CatalogueAnimal } from '../src/core/livestock/catalogue';
import { judgeTogether } from '../src/core/livestock/compatibility/judge';
import { ANY_HOME, callIt } from '../src/core/livestock/compatibility/types';
import { factsOf, type StockFacts } from '../src/core/livestock/planner/facts';
import { stockSource } from '../src/core/livestock/planner/source';
import { makePlan } from '../src/core/livestock/planner/plan';
import { animalsCalled, findAnimals, nearestNames } from '../src/core/livestock/search';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { verdictAt } from './verdict';
import { bandsOfLog } from './logFile';
import { CliError } from './errors';
import { iso } from './iso';

/** Says which names are nearest to one that no animal has; of a pasted page only how it begins. */
function noSuchAnimal(text: string): CliError {
  const typed = text.length > 60 ? `${text.slice(0, 60)}…` : text;
  return new CliError(
    `No animal is called "${typed}". The nearest names: ${nearestNames(text).join(', ')}.`,
  );
}

/**
 * @throws CliError for an animal that is not in the catalogue, with the three nearest names, and for a name that
 * several share, with theirs
 */
function animalCalled(text: string, own: readonly CatalogueAnimal[] = []): CatalogueAnimal {
  const mine = animalsCalled(text, own);
  const [found, ...others] = mine.length > 0 ? mine : animalsCalled(text);
  if (found && others.length > 0) {
    const names = [found, ...others].map(callIt);
    throw new CliError(`"${text}" is the name of several: ${names.join(', ')}. Which one?`);
  }
  if (found) return found;
  throw noSuchAnimal(text);
}

/** What stocking rests on: the facts, and what the readings say of the filter bacteria. */
function stockOf(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  effort: InferenceOptions,
): { facts: StockFacts; posterior: Posterior } {
  const history = tankHistory(log, tank.id, at);
  const posterior = infer(cycleProblem(history, at), effort);
  const { ready } = verdictAt(history, at, bandsOfLog(log), effort);
  const running = history.standing.runningSince !== null;
  const forecast = ready || running ? null : foretell(posterior, { atHand: [] });
  return { facts: factsOf(stockSource(log, history, at, { ready, forecast })), posterior };
}

/** The plan of a tank's wishes, as the command prints it. */
export function planJson(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  effort: InferenceOptions,
): Record<string, unknown> {
  const { facts, posterior } = stockOf(log, tank, at, effort);
  const plan = makePlan(facts, posterior);
  return {
    tank: tank.body.name,
    at: iso(at),
    items: plan.items.map((item) => ({
      species: item.name,
      count: item.count,
      quarantineFrom: iso(item.quarantineFrom),
      addOn: { p10: iso(item.addOn.p10), p50: iso(item.addOn.p50), p90: iso(item.addOn.p90) },
      rule: item.rule,
      because: item.because,
    })),
    refused: plan.refused.map(({ name, rule, because, mend, instead }) => ({
      species: name,
      rule,
      because,
      mend,
      instead,
    })),
    remarks: plan.remarks,
    peakFreeAmmoniaN: plan.peak,
  };
}

/** Whether an animal can be added today, as the command prints it. */
export function addJson(
  log: Log,
  tank: RevisionOf<'tank'>,
  at: number,
  species: string,
  count: number,
  effort: InferenceOptions,
): Record<string, unknown> {
  const { facts, posterior } = stockOf(log, tank, at, effort);
  const animal = animalCalled(species, facts.own);
  const answer = canAdd(facts, posterior, { species: animal.id, count });
  return {
    tank: tank.body.name,
    species: answer.name,
    count,
    answer: answer.answer,
    ...(answer.until === null ? {} : { until: iso(answer.until) }),
    because: answer.because,
    rule: answer.rule,
    instead: answer.instead,
    likeIt: answer.likeIt,
    peakFreeAmmoniaN: answer.peak,
    most: answer.most,
    quarantineDays: answer.quarantineDays,
    cares: answer.cares.map(({ because }) => because),
    remarks: answer.remarks,
  };
}

/** Rows of the catalogue that a text may mean; all of it without one. */
export function speciesJson(text: string): unknown {
  const found = findAnimals(text);
  if (found.length === 0) {
    throw noSuchAnimal(text);
  }
  return found;
}

/** What stands between some animals, in a tank of a size where one is given. */
export function compatibleJson(
  names: readonly string[],
  litres: number | undefined,
  lengthCm: number | undefined,
): Record<string, unknown> {
  const animals = names.map((name) => animalCalled(name));
  const byId = new Map(animals.map((animal) => [animal.id, callIt(animal)]));
  const findings = judgeTogether(
    animals.map((animal) => ({ animal, count: 1 })),
    { ...ANY_HOME, litres: litres ?? null, lengthCm: lengthCm ?? null },
  );
  return {
    ok: findings.every(({ severity }) => severity !== 'no'),
    findings: findings.map(({ between, severity, rule, because, mend }) => ({
      between: between.map((id) => byId.get(id) ?? id),
      severity,
      rule,
      because,
      mend,
    })),
  };
}
