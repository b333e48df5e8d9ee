import { guessMapping } from './guess/guess';
import type { Question } from './guess/question';
import { findTable, type Table } from './guess/table';
import { useOf, type ColumnUse, type Mapping } from './mapping';
import type { SheetContext, SheetFound } from './read/found';
import { readTables } from './readSheet';
import type { DayOrder } from '../time/typedDay';
import type { Workbook } from './workbook';

/** A column as it is shown where its use is chosen. */
export interface ShownColumn {
  heading: string;
  nth: number;
  where: string;
  use: ColumnUse;
  /** What stands in it first. */
  samples: readonly string[];
}

/** What a spreadsheet comes to under a mapping: everything that a keeper is shown before bringing it in. */
export interface SheetReadingResult extends SheetFound {
  mapping: Mapping;
  questions: readonly Question[];
  columns: readonly ShownColumn[];
  /** Days ran across in at least one of its sheets. */
  across: boolean;
  /** Sheets in which no table of tests was found, by name. */
  without: readonly string[];
}

const SAMPLES = 3;

/**
 * Reads a spreadsheet: finds its tables, guesses what a mapping leaves open, and reads every row.
 * @param mapping how it was read before; null for a guess
 * @param progress told of the share of rows read, 0 to 1
 */
export function readWorkbook(
  workbook: Workbook,
  mapping: Mapping | null,
  context: SheetContext & { usualOrder: DayOrder },
  progress: (share: number) => void = () => undefined,
): SheetReadingResult {
  const found = workbook.sheets.map((sheet) => ({ sheet, table: findTable(sheet) }));
  const tables = found.flatMap(({ table }) => table ?? []);
  const guess = guessMapping(workbook, tables, context);
  const taken = mapping ? withColumns(mapping, guess.mapping) : guess.mapping;
  const columns = shownColumns(tables, taken);
  return {
    ...readTables(tables, taken, context, progress),
    mapping: taken,
    questions: guess.questions,
    columns,
    across: tables.some(({ across }) => across),
    without: found.flatMap(({ sheet, table }) => (table ? [] : [sheet.name])),
  };
}

/** A mapping of before with what it does not know yet, as it is guessed now. */
function withColumns(mapping: Mapping, guess: Mapping): Mapping {
  const more = guess.columns.filter(({ heading, nth }) => useOf(mapping, heading, nth) === null);
  return {
    ...mapping,
    columns: [...mapping.columns, ...more],
    parameters: { ...guess.parameters, ...mapping.parameters },
  };
}

/** The first cells of a column that differ. */
function samplesOf({ rows }: Table, column: number): string[] {
  const samples = new Set<string>();
  for (const { cells, not } of rows) {
    const cell = not ? '' : (cells[column] ?? '').trim();
    if (cell !== '') samples.add(cell);
    if (samples.size === SAMPLES) break;
  }
  return [...samples];
}

function shownColumns(tables: readonly Table[], mapping: Mapping): ShownColumn[] {
  const shown = new Map<string, ShownColumn>();
  for (const table of tables) {
    table.columns.forEach(({ heading, nth, where }, i) => {
      const key = `${heading}\n${nth}`;
      if (shown.has(key)) return;
      const samples = samplesOf(table, i);
      if (heading === '' && samples.length === 0) return;
      const use = useOf(mapping, heading, nth) ?? { is: 'nothing' };
      shown.set(key, { heading, nth, where, use, samples });
    });
  }
  return [...shown.values()];
}
