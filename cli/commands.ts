import {
  freeAmmoniaFraction,
  headsOfType,
  instant,
  PARAMETER_IDS,
  tankHistory,
  toLogFile,
  verdictOf,
  writeLogFile,
} from '../src/core';
import { demoLog } from '../src/core/demo/demoLog';
import { DEFAULT_SEED } from '../src/core/cycle/forecast';
import { acclimateJson } from './acclimate';
import { argsOf, numberOption, textOption } from './args';
import { CliError } from './errors';
import { assuranceAt, forecastJson, simulateCsv } from './forecast';
import { bandsOfLog, openLog, pickTank } from './logFile';
import { convertQuantity } from './quantity';
import { dueJson } from './due';
import { quarantineJson } from './quarantine';
import { addJson, compatibleJson, planJson, speciesJson } from './stock';
import { sumCommand } from './sum';

function requiredNumber(
  values: Record<string, unknown>,
  name: string,
  low: number,
  high: number,
): number {
  const value = numberOption(values, name);
  if (value === undefined) throw new CliError(`--${name} is missing.`);
  if (value < low || value > high) {
    throw new CliError(`--${name} must lie between ${low} and ${high}; ${value} does not.`);
  }
  return value;
}

function momentOption(values: Record<string, unknown>, fallback: number): number {
  const text = textOption(values, 'at');
  if (text === undefined) return fallback;
  const at = instant(text);
  if (Number.isNaN(at)) {
    throw new CliError(`--at takes a date such as 2026-11-23T18:00:00Z, not "${text}".`);
  }
  return at;
}

/** `check FILE`: whether an exported log can be read, and what is in it. */
function check(args: string[]): unknown {
  const { positionals } = argsOf(args, {});
  const { log, refused, revisions, exportedAt } = openLog(positionals[0]);
  const entries = headsOfType(log, 'entry');
  const tanks = headsOfType(log, 'tank').map(({ id, body }) => ({
    name: body.name,
    kind: body.kind,
    entries: entries.filter((entry) => entry.body.tankId === id).length,
  }));
  const known = new Set(headsOfType(log, 'tank').map((tank) => tank.id));
  const times = entries.map((entry) => instant(entry.body.at));
  return {
    valid: refused.length === 0,
    exportedAt,
    revisions,
    tanks,
    kits: headsOfType(log, 'kit').length,
    entries: entries.length,
    entriesWithoutTank: entries.filter((entry) => !known.has(entry.body.tankId)).length,
    first: times.length > 0 ? new Date(times.reduce((a, b) => Math.min(a, b))).toISOString() : null,
    last: times.length > 0 ? new Date(times.reduce((a, b) => Math.max(a, b))).toISOString() : null,
    readings: Object.fromEntries(
      PARAMETER_IDS.map((id) => [
        id,
        entries.filter(({ body }) => body.kind === 'reading' && body.parameter === id).length,
      ]).filter(([, count]) => count !== 0),
    ),
    refused,
  };
}

/** `verdict FILE`: the cycle verdict of a tank at a moment. */
function verdict(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
  });
  const { log } = openLog(positionals[0]);
  const tank = pickTank(log, textOption(values, 'tank'));
  const at = momentOption(values, now);
  const history = tankHistory(log, tank.id, at);
  const bands = bandsOfLog(log);
  const ruled = verdictOf(history, at, bands);
  const result = ruled.granted ? verdictOf(history, at, bands, assuranceAt(history, at)) : ruled;
  return {
    tank: tank.body.name,
    at: new Date(at).toISOString(),
    school: result.school,
    ready: result.ready,
    criteria: result.criteria.map(({ id, state, because }) => ({ id, state, because })),
  };
}

function seedOption(values: Record<string, unknown>): number {
  const seed = numberOption(values, 'seed') ?? DEFAULT_SEED;
  if (!Number.isInteger(seed) || seed < 0 || seed > 2 ** 31) {
    throw new CliError(`--seed takes a whole number from 0 up, not ${seed}.`);
  }
  return seed;
}

/** `forecast FILE`: when the cycle's milestones fall, how sure that is, and what to test next. */
function forecast(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
    seed: { type: 'string' },
  });
  const { log, refused } = openLog(positionals[0]);
  const tank = pickTank(log, textOption(values, 'tank'));
  return forecastJson(log, tank, momentOption(values, now), seedOption(values), refused);
}

/** `simulate FILE --days N`: the median course from now on, as CSV. */
function simulateCommand(args: string[], now: number): string {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
    seed: { type: 'string' },
    days: { type: 'string' },
  });
  const { log } = openLog(positionals[0]);
  const tank = pickTank(log, textOption(values, 'tank'));
  const days = requiredNumber(values, 'days', 1, 365);
  if (!Number.isInteger(days)) throw new CliError(`--days takes whole days, not ${days}.`);
  return simulateCsv(log, tank.id, momentOption(values, now), days, seedOption(values));
}

/** `convert "53.07 mS/cm" --to ppt --temp 25`. */
function convert(args: string[]): unknown {
  const { positionals, values } = argsOf(args, {
    to: { type: 'string' },
    temp: { type: 'string' },
    of: { type: 'string' },
  });
  const target = textOption(values, 'to');
  if (target === undefined) throw new CliError('Say the unit to convert to with --to.');
  const text = positionals.join(' ');
  if (text === '') throw new CliError('Give a quantity, such as "53.07 mS/cm".');
  return convertQuantity(text, target, {
    of: textOption(values, 'of'),
    temperature: numberOption(values, 'temp'),
  });
}

/** `ammonia --tan 1 --ph 8.1 --temp 25 --salinity 35`: how much of it is free. */
function ammonia(args: string[]): unknown {
  const { values } = argsOf(args, {
    tan: { type: 'string' },
    ph: { type: 'string' },
    temp: { type: 'string' },
    salinity: { type: 'string' },
  });
  const tan = requiredNumber(values, 'tan', 0, 1000);
  const fraction = freeAmmoniaFraction(
    requiredNumber(values, 'ph', 0, 14),
    requiredNumber(values, 'temp', 0, 40),
    requiredNumber(values, 'salinity', 0, 45),
  );
  return {
    freeFraction: Number(fraction.toPrecision(6)),
    freeAmmoniaN: Number((tan * fraction).toPrecision(6)),
  };
}

/** `plan FILE`: the wishes of a tank as a dated plan. */
function plan(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
  });
  const { log } = openLog(positionals[0]);
  return planJson(log, pickTank(log, textOption(values, 'tank')), momentOption(values, now));
}

/** `add FILE --species "…"`: whether it can be added today. */
function add(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
    species: { type: 'string' },
    count: { type: 'string' },
  });
  const species = textOption(values, 'species');
  if (species === undefined) throw new CliError('Say which animal with --species.');
  const count = numberOption(values, 'count') ?? 1;
  if (!Number.isInteger(count) || count < 1 || count > 100) {
    throw new CliError(`--count takes a whole number from 1 to 100, not ${count}.`);
  }
  const { log } = openLog(positionals[0]);
  const tank = pickTank(log, textOption(values, 'tank'));
  return addJson(log, tank, momentOption(values, now), species, count);
}

/** `quarantine FILE`: every batch that goes on at a moment. */
function quarantine(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, { at: { type: 'string' } });
  const { log } = openLog(positionals[0]);
  return quarantineJson(log, momentOption(values, now));
}

/** `due FILE`: what is to be done over the coming days, at one tank or at all of them. */
function due(args: string[], now: number): unknown {
  const { positionals, values } = argsOf(args, {
    tank: { type: 'string' },
    at: { type: 'string' },
    days: { type: 'string' },
  });
  const { log } = openLog(positionals[0]);
  const name = textOption(values, 'tank');
  const days = values.days === undefined ? 14 : requiredNumber(values, 'days', 0, 366);
  const tanks = name === undefined ? log.tanks : [pickTank(log, name)];
  return dueJson(log, tanks, momentOption(values, now), days);
}

/** `species [TEXT]`: rows of the catalogue. */
function species(args: string[]): unknown {
  return speciesJson(argsOf(args, {}).positionals.join(' '));
}

/** `compatible "A" "B" …`: what stands between them. */
function compatible(args: string[]): unknown {
  const { positionals, values } = argsOf(args, {
    litres: { type: 'string' },
    length: { type: 'string' },
  });
  if (positionals.length === 0) throw new CliError('Name at least one animal.');
  const optional = (name: string) =>
    values[name] === undefined ? undefined : requiredNumber(values, name, 1, 100_000);
  return compatibleJson(positionals, optional('litres'), optional('length'));
}

/** `demo`: the demo log as a file, for trying the other commands. */
function demo(args: string[], now: number): string {
  const { values } = argsOf(args, { at: { type: 'string' }, zone: { type: 'string' } });
  const at = momentOption(values, now);
  let next = 0;
  const revisions = demoLog({
    now: at,
    zone: textOption(values, 'zone') ?? 'UTC',
    device: 'demo',
    newId: () => `00000000-0000-7000-8000-${(next += 1).toString(16).padStart(12, '0')}`,
  });
  return writeLogFile(toLogFile(revisions, new Date(at).toISOString()));
}

export const USAGE = `Usage: zoarium COMMAND
  check FILE                                  is it a valid export, and what is in it
  verdict FILE [--tank NAME] [--at ISO]       is the cycle done, criterion by criterion
  forecast FILE [--tank NAME] [--at ISO] [--seed N]   when it clears, how sure, what to test next
  simulate FILE --days N [--tank NAME] [--at ISO]     the median course from then on, as CSV
  convert "53.07 mS/cm" --to ppt --temp 25    a quantity in another unit (--of NH4 for a bare ppm)
  ammonia --tan 1 --ph 8.1 --temp 25 --salinity 35   how much of total ammonia is free
  sum NAME --litres 208 …                     a sum of the Bench with its working; sum --list names them
  plan FILE [--tank NAME] [--at ISO]          the wishes of a tank as a dated plan, and what is refused
  add FILE --species "…" [--count N] [--tank NAME] [--at ISO]   can it be added today, why, how many at most
  species [TEXT]                              rows of the catalogue
  compatible "A" "B" … [--litres N] [--length CM]     what stands between them
  quarantine FILE [--at ISO]                  every batch: days clear, release, restarts, ammonia held
  due FILE [--tank NAME] [--at ISO] [--days N]        what is to be done: key, title, why, when, minutes, state
  acclimate --bag "32.5 ppt" --tank "35 ppt" --bag-temp 22 --tank-temp 25.5 --litres 2 --class fish|coral|shrimp
      [--bag-ph N --tank-ph N --hours-shipped N --room C --one-system]   how it goes in, and the drip's sums
  demo [--at ISO]                             the demo log as a file`;

/**
 * Runs a command and returns what it prints.
 * @throws CliError for anything the person can mend
 */
export function runCommand(argv: string[], now: number): string {
  const [name, ...args] = argv;
  const json = (result: unknown) => JSON.stringify(result, null, 2);
  switch (name) {
    case 'check':
      return json(check(args));
    case 'verdict':
      return json(verdict(args, now));
    case 'forecast':
      return json(forecast(args, now));
    case 'simulate':
      return simulateCommand(args, now);
    case 'convert':
      return json(convert(args));
    case 'ammonia':
      return json(ammonia(args));
    case 'sum':
      return sumCommand(args);
    case 'plan':
      return json(plan(args, now));
    case 'add':
      return json(add(args, now));
    case 'species':
      return json(species(args));
    case 'compatible':
      return json(compatible(args));
    case 'quarantine':
      return json(quarantine(args, now));
    case 'due':
      return json(due(args, now));
    case 'acclimate':
      return json(acclimateJson(args));
    case 'demo':
      return demo(args, now).trimEnd();
    case undefined:
    case 'help':
    case '--help':
      return USAGE;
    default:
      throw new CliError(`Unknown command "${name}". Try: zoarium help.`);
  }
}
