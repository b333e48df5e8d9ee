import { tankHistory } from '../../history/derive';
import { tanksInOrder } from '../../history/tanksInOrder';
import { rosterOf } from '../../livestock/roster/roster';
import { choresOf } from '../../maintenance/chores';
import { ruleWords } from '../../maintenance/rule';
import { ENTRY_KINDS, entryLine, entryTitle, kindName, type EntryKind } from '../../records/kinds';
import { headsOfType, type Log } from '../../records/log';
import { wordsContext } from '../../history/tankHistory';
import { isoInZone } from '../../time/zone';
import { namesOfTanks } from '../context';
import { csvOf, type Written } from './csv';

/** A sheet of its own, by the name of its file. */
export interface WrittenSheet {
  name: string;
  csv: string;
}

type Fields = Record<string, Written>;

/** What a body holds, one column a field: what lies within stands as "newWater.salinity.value". */
function fieldsOf(body: object, path = ''): Fields {
  const fields: Fields = {};
  for (const [key, value] of Object.entries(body) as [string, unknown][]) {
    const name = path === '' ? key : `${path}.${key}`;
    if (value === null || value === undefined) continue;
    if (Array.isArray(value)) {
      const flat = value.every((one) => typeof one !== 'object');
      fields[name] = flat ? value.join('; ') : JSON.stringify(value);
    } else if (typeof value === 'object') Object.assign(fields, fieldsOf(value, name));
    else fields[name] = typeof value === 'number' ? value : String(value);
  }
  return fields;
}

/** Rows of differing fields under the columns that any of them has, in the order in which they turn up. */
function sheetOf(name: string, rows: readonly Fields[]): WrittenSheet[] {
  if (rows.length === 0) return [];
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const cells = rows.map((row) => columns.map((column) => row[column] ?? null));
  return [{ name, csv: csvOf(columns, cells) }];
}

/** Every entry that is no test, a sheet a kind; each with its words, and every field in a column of its own. */
function entrySheets(log: Log): WrittenSheet[] {
  const names = namesOfTanks(log);
  const contexts = new Map(
    tanksInOrder(log).map(({ id }) => [id, wordsContext(tankHistory(log, id))]),
  );
  const elsewhere = { netLitres: null, zone: 'UTC', kitOf: (id: string) => log.everyKit[id] };
  const rows = new Map<EntryKind, Fields[]>();
  for (const { body } of headsOfType(log, 'entry')) {
    if (body.kind === 'reading') continue;
    const { kind, tankId, at, note, ...rest } = body;
    const line = entryLine(body, contexts.get(tankId) ?? elsewhere);
    const row = {
      // What hangs on an instrument stands under its name.
      tank: names.get(tankId) ?? log.everyKit[tankId]?.name ?? '',
      time: at,
      words: [entryTitle(body), line].filter((part) => part !== '').join(': '),
      ...fieldsOf(rest),
      ...(note ? { note } : {}),
    };
    rows.set(kind, [...(rows.get(kind) ?? []), row]);
  }
  return ENTRY_KINDS.flatMap((kind) =>
    sheetOf(`entries/${kindName({ kind })}`, rows.get(kind) ?? []),
  );
}

function residentsSheet(log: Log): WrittenSheet[] {
  const names = namesOfTanks(log);
  const rows = tanksInOrder(log).flatMap(({ id, body }) =>
    rosterOf(tankHistory(log, id)).map((cohort): Fields => ({
      tank: names.get(id) ?? '',
      what: cohort.what,
      group: cohort.group,
      'in the catalogue': cohort.species ?? '',
      since: isoInZone(cohort.arrivedAt, body.zone),
      came: cohort.came ?? '',
      'here now': cohort.here ?? '',
      lost: cohort.lost,
      'cm when it came': cohort.sizeCm ?? '',
      from: cohort.source ?? '',
    })),
  );
  return sheetOf('who lives here', rows);
}

function choresSheet(log: Log): WrittenSheet[] {
  const names = namesOfTanks(log);
  const records = headsOfType(log, 'chore');
  const rows = tanksInOrder(log).flatMap(({ id }) =>
    choresOf(tankHistory(log, id), records).map((chore): Fields => ({
      tank: names.get(id) ?? '',
      chore: chore.name,
      how: ruleWords(chore.rule),
      minutes: chore.minutes,
    })),
  );
  return sheetOf('chores', rows);
}

/** What is wished for each tank, in the order in which it was wished. */
function wishesSheet(log: Log): WrittenSheet[] {
  const names = namesOfTanks(log);
  return sheetOf(
    'wishes',
    log.wishes.map(({ body: { tankId, ...rest } }) => ({
      tank: names.get(tankId) ?? '',
      ...fieldsOf(rest),
    })),
  );
}

/** Everything but the tests: entries kind by kind, who lives where, chores and wishes. What is empty has no sheet. */
export function otherSheets(log: Log): WrittenSheet[] {
  return [...entrySheets(log), ...residentsSheet(log), ...choresSheet(log), ...wishesSheet(log)];
}
