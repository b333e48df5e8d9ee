import type { Said } from '../src/core/acts/mark';
import { readingsOf, seenOf, writeReadings, writeSaid, writeSeen } from './acts';
import { defineCommand } from './command';
import { dueJson } from './due';
import { effortFlags, effortOf } from './effort';
import { CliError } from './errors';
import { moment, needed, ofTank, said, text, whole } from './flags';
import { openLog, pickTank } from './logFile';
import { printedOrWritten, withAct } from './write';

// Commands that act: each prints the log with one act more in it, or writes it to a new file.

const out = text;

export const logCommand = defineCommand({
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

export const done = defineCommand({
  usage: 'done FILE KEY [--skip REASON | --days N] [--at ISO] [--out FILE]',
  does: 'a key that `due` prints is done, left out, or put off; prints the new log',
  flags: { at: moment, skip: text, days: whole(1, 60), out, particles: effortFlags.particles },
  run: ({ positionals: [file = '', key = ''], values }, now) => {
    const opened = openLog(file);
    const at = values.at ?? now;
    if (key === '') throw new CliError('Name the key of what is done, as "due" prints it.');
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

export const seen = defineCommand({
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
