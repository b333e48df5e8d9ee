import {
  freeAmmoniaFraction,
  headsOfType,
  instant,
  PARAMETER_IDS,
  toLogFile,
  writeLogFile,
} from '../src/core';
import { demoLog } from '../src/core/demo/demoLog';
import type { Said } from '../src/core/acts/mark';
import { acclimate } from './acclimate';
import { readingsOf, seenOf, writeReadings, writeSaid, writeSeen } from './acts';
import { defineCommand, type Command } from './command';
import { effortFlags, effortOf } from './effort';
import { CliError } from './errors';
import { moment, needed, number, said, text, whole, zone } from './flags';
import { forecastJson, simulateCsv } from './forecast';
import { openLog, pickTank } from './logFile';
import { convertQuantity } from './quantity';
import { dueJson } from './due';
import { quarantineJson } from './quarantine';
import { addJson, compatibleJson, planJson, speciesJson } from './stock';
import { sum } from './sum';
import { verdictJson } from './verdict';
import { printedOrWritten, withAct } from './write';

const ofTank = { tank: text, at: moment };

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

const convert = defineCommand({
  usage: 'convert "53.07 mS/cm" --to ppt --temp 25',
  does: 'a quantity in another unit (--of NH4 for a bare ppm)',
  flags: { to: text, temp: number(-2, 45), of: text },
  run: ({ positionals, values }) => {
    if (values.to === undefined) throw new CliError('Say the unit to convert to with --to.');
    const quantity = positionals.join(' ');
    if (quantity === '') throw new CliError('Give a quantity, such as "53.07 mS/cm".');
    const { of, temp: temperature } = values;
    return convertQuantity(quantity, values.to, {
      ...(of === undefined ? {} : { of }),
      ...(temperature === undefined ? {} : { temperature }),
    });
  },
});

const ammonia = defineCommand({
  usage: 'ammonia --tan 1 --ph 8.1 --temp 25 --salinity 35',
  does: 'how much of total ammonia is free',
  flags: {
    tan: number(0, 1000),
    ph: number(0, 14),
    temp: number(0, 40),
    salinity: number(0, 45),
  },
  run: ({ values }) => {
    const tan = needed(values.tan, 'tan');
    const fraction = freeAmmoniaFraction(
      needed(values.ph, 'ph'),
      needed(values.temp, 'temp'),
      needed(values.salinity, 'salinity'),
    );
    return {
      freeFraction: Number(fraction.toPrecision(6)),
      freeAmmoniaN: Number((tan * fraction).toPrecision(6)),
    };
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

const species = defineCommand({
  usage: 'species [TEXT]',
  does: 'rows of the catalogue',
  flags: {},
  run: ({ positionals }) => speciesJson(positionals.join(' ')),
});

const compatible = defineCommand({
  usage: 'compatible "A" "B" … [--litres N] [--length CM]',
  does: 'what stands between them',
  flags: { litres: number(1, 100_000), length: number(1, 100_000) },
  run: ({ positionals, values }) => {
    if (positionals.length === 0) throw new CliError('Name at least one animal.');
    return compatibleJson(positionals, values.litres, values.length);
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

const out = text;

const logCommand = defineCommand({
  usage:
    'log FILE --reading "nitrite 0.25 ppm NO2; …" [--note TEXT] [--tank NAME] [--at ISO] [--out FILE]',
  does: 'readings and a note entered; prints the new log, or writes it to FILE',
  flags: { ...ofTank, reading: text, note: text, out },
  run: ({ positionals: [file = ''], values }, now) => {
    const opened = openLog(file);
    const tank = pickTank(opened.log, values.tank);
    const at = values.at ?? now;
    if (at > now) throw new CliError('--at lies ahead: nothing is read before it is.');
    const { reading, note } = values;
    if (reading === undefined && note === undefined) {
      throw new CliError('Say what to log with --reading or --note.');
    }
    const readings = reading === undefined ? [] : readingsOf(opened.log, reading);
    const written = withAct(
      opened,
      (act) => writeReadings(act, tank, readings, note, at),
      ['log', tank.id, readings, note, at],
      now,
    );
    return printedOrWritten(written.text, values.out);
  },
});

const done = defineCommand({
  usage: 'done FILE KEY [--skip REASON | --days N] [--at ISO] [--out FILE]',
  does: 'a key that `due` prints is done, left out, or put off; prints the new log',
  flags: { at: moment, skip: text, days: whole(1, 60), out, particles: effortFlags.particles },
  run: ({ positionals: [file = '', key = ''], values }, now) => {
    const opened = openLog(file);
    const at = values.at ?? now;
    const [tankId = '', ...rest] = key.split('/');
    const tanks = opened.log.tanks.filter(({ id }) => id === tankId);
    const rows = dueJson(opened.log, tanks, at, 14, effortOf(values));
    const row = rows.find((one) => one.key === key);
    if (!row) throw new CliError(`Nothing that is due has the key "${key}"; see "due".`);
    const task = { key: rest.join('/'), title: row.title };
    const { skip, days } = values;
    const what: Said =
      days !== undefined
        ? { how: 'snoozed', days }
        : skip !== undefined
          ? { how: 'skipped', reason: skip }
          : { how: 'done' };
    const written = withAct(
      opened,
      (act) => writeSaid(act, opened.log, tankId, task, what),
      ['done', key, what, at],
      at,
    );
    return printedOrWritten(written.text, values.out);
  },
});

const seen = defineCommand({
  usage:
    'seen FILE --animal NAME (--well | --not-eating | --sign "dust, flashing") [--at ISO] [--out FILE]',
  does: 'the daily check of an animal in quarantine; prints the new log',
  flags: { at: moment, animal: text, well: said, 'not-eating': said, sign: text, out },
  run: ({ positionals: [file = ''], values }, now) => {
    const opened = openLog(file);
    const at = values.at ?? now;
    const name = needed(values.animal, 'animal', '"Firefish"');
    const check = seenOf(values);
    const written = withAct(
      opened,
      (act) => writeSeen(act, opened.log, name, check),
      ['seen', name, check, at],
      at,
    );
    return printedOrWritten(written.text, values.out);
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
