import { formatPlain } from '../../units/format';
import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import type { DayOrder } from '../../time/typedDay';
import { nameOf, type ColumnUse, type How, type MappedColumn, type Mapping } from '../mapping';
import { cellValue } from '../read/cell';
import { timeIn } from '../read/day';
import { isParameterName, measureIn, otherColumnIn, parameterIn } from '../read/names';
import { dependsOnMark, type Mark } from '../read/number';
import type { Workbook } from '../workbook';
import {
  guessMeasure,
  inUnit,
  likelyShare,
  measureKey,
  measureOptions,
  shareWithin,
} from './measure';
import { guessOrder, tellsOrder } from './order';
import type { Question } from './question';
import { numbersOf, usualZero } from './answers';
import { isDayLike, type Table } from './table';

export interface Guess {
  mapping: Mapping;
  questions: readonly Question[];
}

/** What the guess may lean on beside the sheet. */
export interface Leaning {
  /** The keeper's own day, "2026-11-24". */
  today: string;
  /** The order in which the keeper writes days. */
  usualOrder: DayOrder;
}

/** Rows from which it is told what a column is, spread over all of them: its end may be as its beginning is not. */
const LOOKED_AT = 400;
/** Share of a column's cells that have to be of a kind before the column is. */
const MOST = 0.6;

interface Column {
  heading: string;
  nth: number;
  /** Cells in which something stands, in the rows that are tests. */
  cells: readonly string[];
  /** The same with the empty ones, so that what stands beside them can be found. */
  all: readonly string[];
}

const columnsOf = (table: Table): Column[] => {
  const tests = table.rows.filter(({ not }) => not === null);
  // Eight neighbours at a time, so that what stands between two others is seen.
  const every = Math.ceil(tests.length / LOOKED_AT);
  const rows = tests.filter((_, i) => Math.floor(i / 8) % every === 0);
  return table.columns.map(({ heading, nth }, i) => {
    const all = rows.map(({ cells }) => (cells[i] ?? '').trim());
    return { heading, nth, all, cells: all.filter((cell) => cell !== '') };
  });
};

const share = (cells: readonly string[], holds: (cell: string) => boolean): number =>
  cells.length === 0 ? 0 : cells.filter(holds).length / cells.length;

/**
 * Guesses what each column of a spreadsheet is and how its numbers and days are meant; what cannot be told is
 * asked, with its likely answer taken until somebody says otherwise.
 */
export function guessMapping(
  workbook: Workbook,
  tables: readonly Table[],
  { today, usualOrder }: Leaning,
): Guess {
  const questions: Question[] = [];
  const looked = new Map(tables.map((table) => [table, columnsOf(table)]));
  const told = guessMark([...looked.values()].flat());
  const mark = workbook.mark ?? told.mark;
  if (workbook.mark === null && told.question) questions.push(told.question);
  const whens = tables.flatMap((table) => looked.get(table)?.[table.whenColumn]?.cells ?? []);
  const telling = tables.flatMap(({ rows, whenColumn }) =>
    rows.flatMap(({ cells }) =>
      tellsOrder(cells[whenColumn] ?? '') ? (cells[whenColumn] ?? '') : [],
    ),
  );
  const { order, question } = guessOrder(
    { cells: whens, telling },
    today,
    tables[0]?.year ?? null,
    usualOrder,
  );
  if (question) questions.push(question);
  const columns = new Map<string, MappedColumn>();
  const parameters: Mapping['parameters'] = {};
  for (const table of tables) {
    const found = looked.get(table) ?? [];
    const uses = usesOf(table, found, mark, questions, parameters);
    found.forEach(({ heading, nth }, i) => {
      const key = `${heading}\n${nth}`;
      const use = uses[i] as ColumnUse;
      const known = columns.get(key);
      if (!known || known.use.is === 'nothing') columns.set(key, { heading, nth, use });
    });
  }
  return {
    mapping: {
      format: 'zoarium-sheet-mapping',
      version: 1,
      order,
      mark,
      columns: [...columns.values()],
      parameters,
    },
    // A sheet a month asks what the first of them asked.
    questions: questions.filter(
      ({ key }, i) => questions.findIndex((other) => other.key === key) === i,
    ),
  };
}

/**
 * The mark under which more numbers of tests are likely. Where both do as well and a number is read differently, it
 * is asked, with a full stop as the likely answer.
 */
function guessMark(columns: readonly Column[]): { mark: Mark; question: Question | null } {
  const tests = columns.flatMap(({ heading, cells }) => {
    const parameter = parameterIn(heading);
    const doubtful = cells.filter((cell) => dependsOnMark(cell.replace(/[^\d.,-]/g, '')));
    return parameter === null || doubtful.length === 0 ? [] : [{ parameter, heading, doubtful }];
  });
  const read = (mark: Mark) => {
    let worth = 0;
    const values = tests.flatMap(({ parameter, heading, doubtful }) => {
      const numbers = numbersOf(doubtful, mark);
      const { measure } = guessMeasure(parameter, heading, numbers);
      worth += likelyShare(parameter, numbers, measure) * numbers.length;
      return numbers.map((number) => inUnit(number, measure).value);
    });
    return { worth, values };
  };
  const [comma, stop] = [read(','), read('.')];
  if (comma.worth !== stop.worth) {
    return { mark: comma.worth > stop.worth ? ',' : '.', question: null };
  }
  // A gravity of 1.026 and one of 1026 are the same reading.
  if (comma.values.every((value, i) => value === stop.values[i])) {
    return { mark: '.', question: null };
  }
  const sample = tests[0]?.doubtful[0];
  if (sample === undefined) return { mark: '.', question: null };
  const options = (['.', ','] as const).map((mark) => ({
    value: mark,
    label: formatPlain(numbersOf([sample], mark)[0] ?? 0, 4),
  }));
  return {
    mark: '.',
    question: { key: 'mark', ask: `How much is ${sample}?`, options, likely: '.' },
  };
}

function usesOf(
  table: Table,
  columns: readonly Column[],
  mark: Mark,
  questions: Question[],
  parameters: Mapping['parameters'],
): ColumnUse[] {
  const named = columns.findIndex(
    ({ cells }, i) => i !== table.whenColumn && share(cells, isParameterName) >= MOST,
  );
  if (named >= 0) return longUses(table, columns, named, mark, questions, parameters);
  return columns.map((column, i): ColumnUse => {
    const other = otherUse(table, column, i);
    if (other) return other;
    const parameter = parameterIn(column.heading);
    if (parameter === null) return { is: 'nothing' };
    const key = nameOf(column);
    const how = howOf(parameter, key, column.heading, column.cells, mark, questions);
    const zero = zeroOf(parameter, key, column, columns, how.zero, questions);
    return { is: 'reading', parameter, ...how, zero };
  });
}

/** What a column is that is no test; null for one that may be. */
function otherUse(table: Table, { heading, cells }: Column, i: number): ColumnUse | null {
  if (i === table.whenColumn) {
    return { is: cells.some((cell) => isDayLike(cell)) ? 'when' : 'dayOfMonth' };
  }
  const other = otherColumnIn(heading);
  const figures = share(cells, (cell) => cellValue(cell, '.').is !== 'noNumber');
  const parameter = parameterIn(heading);
  // "Nitrate kit" over names is the kit; "Nitrate (drop kit)" over numbers is the nitrate.
  if (parameter !== null && (figures >= 0.5 || cells.length === 0 || other === null)) return null;
  if (other === 'time' || (other === null && cells.length > 0 && share(cells, isClock) >= MOST)) {
    return { is: 'time' };
  }
  if (other === 'date' || other === null) return { is: 'nothing' };
  if (other === 'parameter' || other === 'value' || other === 'unit') return { is: 'nothing' };
  return { is: other };
}

const isClock = (cell: string): boolean => /[:h]|[ap]m/i.test(cell) && timeIn(cell) !== null;

/** A sheet of one test a row: a column of names, one of values, and perhaps their ends, unit and basis. */
function longUses(
  table: Table,
  columns: readonly Column[],
  named: number,
  mark: Mark,
  questions: Question[],
  parameters: Mapping['parameters'],
): ColumnUse[] {
  const uses = columns.map((column, i): ColumnUse => {
    if (i === named) return { is: 'parameter' };
    const words = column.heading.toLowerCase();
    for (const is of ['low', 'high', 'basis', 'dilution'] as const) {
      if (words === is) return { is };
    }
    const other = otherColumnIn(column.heading);
    if (other === 'unit') return { is: 'unit' };
    return otherUse(table, column, i) ?? { is: 'nothing' };
  });
  const isFree = (i: number) => uses[i]?.is === 'nothing';
  const figures = (i: number) =>
    share(columns[i]?.cells ?? [], (cell) => cellValue(cell, mark).is !== 'noNumber');
  const free = columns.map((_, i) => i).filter(isFree);
  const value =
    free.find((i) => otherColumnIn(columns[i]?.heading ?? '') === 'value') ??
    [...free].sort((a, b) => figures(b) - figures(a))[0];
  if (value === undefined) return uses;
  uses[value] = { is: 'value' };
  const at = (is: string) => uses.findIndex((use) => use.is === is);
  const [unit, basis] = [at('unit'), at('basis')];
  const names = columns[named]?.all ?? [];
  const groups = new Map<ParameterId, number[]>();
  names.forEach((name, i) => {
    const parameter = parameterIn(name);
    if (parameter) groups.set(parameter, [...(groups.get(parameter) ?? []), i]);
  });
  for (const [parameter, rows] of groups) {
    const said = (i: number) =>
      [names[i], columns[unit]?.all[i], columns[basis]?.all[i]].join(' ').trim();
    // A row that says what it is in is asked nothing.
    const silent = rows.filter((i) => measureIn(parameter, said(i)) === null);
    const cells = silent.map((i) => columns[value]?.all[i] ?? '').filter((cell) => cell !== '');
    const words = said(silent[0] ?? rows[0] ?? 0);
    const key = PARAMETERS[parameter].name;
    const how = howOf(parameter, key, words, cells, mark, questions);
    // Nobody writes a row for what was not tested.
    parameters[parameter] ??= { ...how, zero: 'zero' };
  }
  return uses;
}

/** How the numbers of a test are meant, and the question where their range alone told it. */
function howOf(
  parameter: ParameterId,
  key: string,
  heading: string,
  cells: readonly string[],
  mark: Mark,
  questions: Question[],
): How {
  const figures = cells.flatMap((cell) => {
    const value = cellValue(cell, mark);
    return value.is === 'number' ? [value] : [];
  });
  const units = figures.flatMap(({ unit }) => (unit === '' ? [] : [unit]));
  // A figure with its unit behind it says itself what it is in.
  const numbers = figures.flatMap(({ unit, value }) => (unit === '' && value !== 0 ? [value] : []));
  const { measure, asked } = guessMeasure(parameter, `${heading} ${units[0] ?? ''}`, numbers);
  const options = asked ? fittingOptions(parameter, numbers) : [];
  if (options.length > 1) {
    questions.push({
      key: `unit/${key}`,
      ask: `What is “${key}” in? It reads ${numbers[0] ?? 'nothing'}.`,
      options,
      likely: measureKey(measure),
    });
  }
  return { ...measure, zero: usualZero(parameter) };
}

/** The units in which numbers are likely; where that is one, those in which they are possible as well. */
function fittingOptions(parameter: ParameterId, numbers: readonly number[]): Question['options'] {
  const fitting = (range: 'likely' | 'possible') =>
    measureOptions(parameter).filter(
      ({ measure }) => shareWithin(parameter, numbers, measure, range) >= 0.5,
    );
  const likely = fitting('likely');
  const all = likely.length > 1 ? likely : [...new Set([...likely, ...fitting('possible')])];
  return all
    .filter(({ value }, i) => all.findIndex((other) => other.value === value) === i)
    .map(({ value, label }) => ({ value, label }));
}

/** A value so near to the highest of its column that a zero beside it is no course of a tank's. */
const NEAR_THE_TOP = 0.4;

/**
 * Whether 0 was a test. Where it cannot be a value (pH 0) it was none. Where it can, it is asked if such a
 * column has zeros in the same rows, or if it stands alone between high values.
 */
function zeroOf(
  parameter: ParameterId,
  key: string,
  column: Column,
  columns: readonly Column[],
  usual: How['zero'],
  questions: Question[],
): How['zero'] {
  if (usual === 'untested') return usual;
  const value = (cell: string | undefined) => {
    const read = cellValue(cell ?? '', '.');
    return read.is === 'number' ? read.value : null;
  };
  const zeros = column.all.flatMap((cell, i) => (value(cell) === 0 ? [i] : []));
  if (zeros.length === 0) return usual;
  const impossible = columns.filter(({ heading }) => {
    const other = parameterIn(heading);
    return other !== null && PARAMETERS[other].likely.low > 0;
  });
  const beside = zeros.filter((i) => impossible.some(({ all }) => value(all[i]) === 0));
  const known = column.all.map(value).filter((number) => number !== null);
  const top = NEAR_THE_TOP * Math.max(...known);
  const alone = zeros.filter((i) => {
    const [before, after] = [value(column.all[i - 1]), value(column.all[i + 1])];
    return before !== null && after !== null && before >= top && after >= top && top > 0;
  });
  // Where a cell was left empty, a 0 is no way of leaving it empty.
  const leaves = column.all.some((cell) => cellValue(cell, '.').is === 'nothing');
  if (beside.length === 0 && (alone.length === 0 || leaves)) return usual;
  questions.push({
    key: `zero/${key}`,
    ask: `“${key}” has 0 in ${zeros.length === 1 ? 'one row' : `${zeros.length} rows`}. Was it tested there?`,
    options: [
      {
        value: 'untested',
        label: `No: 0 means that ${PARAMETERS[parameter].inSentence} was not tested`,
      },
      { value: 'zero', label: `Yes: ${PARAMETERS[parameter].inSentence} was tested and read 0` },
    ],
    likely: 'untested',
  });
  return 'untested';
}
