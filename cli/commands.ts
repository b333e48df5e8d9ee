import { headsOfType, instant, PARAMETER_IDS, toLogFile, writeLogFile } from '../src/core';
import { demoLog } from '../src/core/demo/demoLog';
import { acclimate } from './acclimate';
import { done, logCommand, seen } from './actCommands';
import { defineCommand, type Command } from './command';
import { effortFlags, effortOf } from './effort';
import { CliError } from './errors';
import { moment, needed, number, ofTank, text, whole, zone } from './flags';
import { forecastJson, simulateCsv } from './forecast';
import { openLog, pickTank } from './logFile';
import { dueJson } from './due';
import { ammonia, compatible, convert, species } from './plainCommands';
import { practiceJson } from './practice';
import { quarantineJson } from './quarantine';
import { diff, exportCommand, importCommand, merge } from './sheetCommands';
import { addJson, planJson } from './stock';
import { sum } from './sum';
import { verdictJson } from './verdict';

const check = defineCommand({
  usage: 'check FILE',
  does: 'is it a valid export, and what is in it',
  flags: {},
  run: ({ positionals }) => {
    const { log, refused, doubled, revisions, exportedAt } = openLog(positionals[0]);
    const entries = headsOfType(log, 'entry');
    const tanks = headsOfType(log, 'tank').map(({ id, body }) => ({
      name: body.name,
      kind: body.kind,
      entries: entries.filter((entry) => entry.body.tankId === id).length,
    }));
    const known = new Set(headsOfType(log, 'tank').map((tank) => tank.id));
    const times = entries.map((entry) => instant(entry.body.at));
    return {
      valid: refused.length === 0 && doubled === 0,
      exportedAt,
      revisions,
      tanks,
      kits: headsOfType(log, 'kit').length,
      entries: entries.length,
      entriesWithoutTank: entries.filter((entry) => !known.has(entry.body.tankId)).length,
      first:
        times.length > 0 ? new Date(times.reduce((a, b) => Math.min(a, b))).toISOString() : null,
      last:
        times.length > 0 ? new Date(times.reduce((a, b) => Math.max(a, b))).toISOString() : null,
      readings: Object.fromEntries(
        PARAMETER_IDS.map((id) => [
          id,
          entries.filter(({ body }) => body.kind === 'reading' && body.parameter === id).length,
        ]).filter(([, count]) => count !== 0),
      ),
      refused,
      doubled,
    };
  },
});

const verdict = defineCommand({
  usage: 'verdict FILE [--tank NAME] [--at ISO] [--seed N] [--particles N]',
  does: 'is the cycle done, criterion by criterion',
  flags: { ...ofTank, ...effortFlags },
  run: ({ positionals, values }, now) => {
    const { log } = openLog(positionals[0]);
    const tank = pickTank(log, values.tank);
    const at = values.at ?? now;
    return verdictJson(log, tank, at, effortOf(values));
  },
});

const forecast = defineCommand({
  usage: 'forecast FILE [--tank NAME] [--at ISO] [--seed N] [--particles N]',
  does: 'when it clears, how sure, what to test next',
  flags: { ...ofTank, ...effortFlags },
  run: ({ positionals, values }, now) => {
    const { log, refused } = openLog(positionals[0]);
    const tank = pickTank(log, values.tank);
    return forecastJson(log, tank, values.at ?? now, effortOf(values), refused);
  },
});

const simulate = defineCommand({
  usage: 'simulate FILE --days N [--tank NAME] [--at ISO]',
  does: 'the median course from then on, as CSV',
  flags: { ...ofTank, ...effortFlags, days: whole(1, 365) },
  run: ({ positionals, values }, now) => {
    const { log } = openLog(positionals[0]);
    const tank = pickTank(log, values.tank);
    const days = needed(values.days, 'days');
    return simulateCsv(log, tank.id, values.at ?? now, days, effortOf(values));
  },
});

const plan = defineCommand({
  usage: 'plan FILE [--tank NAME] [--at ISO] [--particles N]',
  does: 'the wishes of a tank as a dated plan, and what is refused',
  flags: { ...ofTank, ...effortFlags },
  run: ({ positionals, values }, now) => {
    const { log } = openLog(positionals[0]);
    return planJson(log, pickTank(log, values.tank), values.at ?? now, effortOf(values));
  },
});

const add = defineCommand({
  usage: 'add FILE --species "…" [--count N] [--tank NAME] [--at ISO] [--particles N]',
  does: 'can it be added today, why, how many at most',
  flags: { ...ofTank, ...effortFlags, species: text, count: whole(1, 100) },
  run: ({ positionals, values }, now) => {
    const { species: wanted, count = 1 } = values;
    if (wanted === undefined) throw new CliError('Say which animal with --species.');
    const { log } = openLog(positionals[0]);
    return addJson(
      log,
      pickTank(log, values.tank),
      values.at ?? now,
      wanted,
      count,
      effortOf(values),
    );
  },
});

const quarantine = defineCommand({
  usage: 'quarantine FILE [--at ISO]',
  does: 'every batch: days clear, release, restarts, ammonia held',
  flags: { at: moment },
  run: ({ positionals, values }, now) =>
    quarantineJson(openLog(positionals[0]).log, values.at ?? now),
});

const due = defineCommand({
  usage: 'due FILE [--tank NAME] [--at ISO] [--days N] [--particles N]',
  does: 'what is to be done: key, title, why, when, minutes, state',
  flags: { ...ofTank, ...effortFlags, days: number(0, 366) },
  run: ({ positionals, values }, now) => {
    const { log } = openLog(positionals[0]);
    const tanks = values.tank === undefined ? log.tanks : [pickTank(log, values.tank)];
    return dueJson(log, tanks, values.at ?? now, values.days ?? 14, effortOf(values));
  },
});

const demo = defineCommand({
  usage: 'demo [--at ISO] [--zone ZONE]',
  does: 'the demo log as a file, for trying the other commands',
  flags: { at: moment, zone },
  run: ({ values }, now) => {
    const at = values.at ?? now;
    let next = 0;
    const revisions = demoLog({
      now: at,
      zone: values.zone ?? 'UTC',
      device: 'demo',
      newId: () => `00000000-0000-7000-8000-${(next += 1).toString(16).padStart(12, '0')}`,
    });
    return writeLogFile(toLogFile(revisions, new Date(at).toISOString())).trimEnd();
  },
});

/** Every command, by the word that calls it. */
const practice = defineCommand({
  usage: 'practice FILE [--until DAY]',
  does: 'lives a practice again: what was done, and what was truly so, day by day',
  flags: { until: number(0, 1000) },
  run: ({ positionals, values }) => practiceJson(positionals[0], values.until),
});

export const COMMANDS: Readonly<Record<string, Command>> = {
  check,
  verdict,
  forecast,
  simulate,
  convert,
  ammonia,
  sum,
  plan,
  add,
  species,
  compatible,
  quarantine,
  due,
  acclimate,
  log: logCommand,
  done,
  seen,
  export: exportCommand,
  import: importCommand,
  merge,
  diff,
  practice,
  demo,
};

export const USAGE = [
  'Usage: zoarium COMMAND',
  ...Object.values(COMMANDS).map(({ usage, does }) => `  ${usage}   ${does}`),
].join('\n');

/**
 * Runs a command and returns what it prints.
 * @throws CliError for anything the person can mend
 */
export function runCommand(argv: readonly string[], now: number): string {
  const [name, ...args] = argv;
  if (name === undefined || name === 'help' || name === '--help') return USAGE;
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  if (!command) throw new CliError(`Unknown command "${name}". Try: zoarium help.`);
  return command.call(args, now);
}
