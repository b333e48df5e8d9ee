import { defineCommand } from './command';
import { CliError } from './errors';
import { oneOf, ofTank, text } from './flags';
import { effortFlags, effortOf } from './effort';
import { reportOfLog } from './report';
import { openLog, pickTank } from './logFile';
import { compared, exported, EXPORTS, imported, merged } from './sheets';
import { printedOrWritten } from './write';

// Commands that carry a log into other shapes, and others into it: each prints, or writes to a new file.

export const exportCommand = defineCommand({
  usage: 'export FILE --as csv|wide|ndjson|report [--tank NAME] [--at ISO] [--out FILE]',
  does: 'tests as a sheet, one a row or a session a row; every record, one a line; a report of a tank',
  flags: { as: oneOf([...EXPORTS, 'report'] as const), out: text, ...ofTank, ...effortFlags },
  run: ({ positionals: [file], values }, now) => {
    const { as, tank, at, out } = values;
    if (as === undefined) {
      throw new CliError(`Say as what with --as ${[...EXPORTS, 'report'].join('|')}.`);
    }
    const { log } = openLog(file);
    const words =
      as === 'report'
        ? reportOfLog(log, pickTank(log, tank), at ?? now, effortOf(values))
        : exported(log, as);
    return printedOrWritten(words, out);
  },
});

export const importCommand = defineCommand({
  usage: 'import FILE SHEET.csv [--map MAP.json] [--tank NAME] [--out FILE]',
  does: 'how a sheet would be read, with its mapping; given one, the log with the sheet in it',
  flags: { map: text, tank: ofTank.tank, out: text },
  run: ({ positionals: [file, sheet], values }, now) => {
    const opened = openLog(file);
    const tank = pickTank(opened.log, values.tank);
    const result = imported(opened, tank, sheet, values.map, now);
    const words = typeof result === 'string' ? result : JSON.stringify(result, null, 2);
    return printedOrWritten(words, values.out);
  },
});

export const merge = defineCommand({
  usage: 'merge FILE FILE [--out FILE]',
  does: 'two logs as one, with the history of both',
  flags: { out: text },
  run: ({ positionals: [a, b], values }, now) =>
    printedOrWritten(merged(openLog(a), openLog(b), now), values.out),
});

export const diff = defineCommand({
  usage: 'diff FILE FILE',
  does: 'what each of two logs has that the other lacks',
  flags: {},
  run: ({ positionals: [a, b] }) => compared(openLog(a).log, openLog(b).log),
});
