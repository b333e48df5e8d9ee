import { doubtOf } from '../parameters/plausible';
import { toCanonical, withUnit } from '../parameters/convert';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { derivedId } from '../math/hash';
import { NOTE_LETTERS } from '../records/common';
import type { ReadingValue } from '../records/kinds/reading';
import { changeAsked } from '../search/changeAsked';
import { shiftDay } from '../time/calendar';
import { formatPlain } from '../units/format';
import type { Unit } from '../units/units';
import { SheetClock, type Moment } from './clock';
import { inUnit } from './guess/measure';
import type { Table, TableRow } from './guess/table';
import { cardValue, chooseKit, type SheetKit } from './kits';
import { useOf, type ColumnUse, type How, type Mapping } from './mapping';
import { cellValue, type CellValue } from './read/cell';
import { timeIn, whenIn } from './read/day';
import { isUnitWord, measureIn, parameterIn } from './read/names';
import { numberIn } from './read/number';

/** A tank that tests may belong to. */
export interface SheetTank {
  id: string;
  name: string;
  zone: string;
  /** The first day of its life, where one is known. */
  filledOn: string | null;
}

/** What a sheet is read against. */
export interface SheetContext {
  /** ms: what lies after it was not tested yet. */
  now: number;
  /** The keeper's own day. */
  today: string;
  tanks: readonly SheetTank[];
  /** The tank of rows that name none. */
  tankId: string;
  kits: readonly SheetKit[];
}

/** One test as it will be brought in. */
export interface SheetReading {
  /** Made of tank, parameter, moment, text and its place among equals: the same on any device. */
  id: string;
  where: string;
  tankId: string;
  parameter: ParameterId;
  at: string;
  /** The cell, to the letter. */
  text: string;
  kitId: string;
  unit: Unit;
  value: ReadingValue;
  dilution: number;
  /** What stands beside it, where each row is one test. */
  note: string;
  /** It is one that tanks seldom show. */
  unlikely: boolean;
}

export interface SheetNote {
  id: string;
  where: string;
  tankId: string;
  at: string;
  text: string;
}

/** A note that tells of a water change: offered as an entry, never taken. */
export interface SheetOffer {
  id: string;
  where: string;
  tankId: string;
  at: string;
  text: string;
  litres: number | null;
  percent: number | null;
}

/** A cell or a row that is not taken, and why. */
export interface Refused {
  where: string;
  text: string;
  why: string;
}

export interface SheetFound {
  readings: readonly SheetReading[];
  notes: readonly SheetNote[];
  offers: readonly SheetOffer[];
  refused: readonly Refused[];
  /** Kits that are not in the log yet. */
  freshKits: readonly SheetKit[];
}

/** A test without an hour is taken to be made at noon. */
const NOON = '12:00';

/** A test before its kit is chosen. */
interface Test {
  where: string;
  tankId: string;
  parameter: ParameterId;
  moment: Moment;
  text: string;
  cell: CellValue;
  unit: Unit;
  kitName: string;
  dilution: number;
  note: string;
}

type Uses = readonly ColumnUse[];
const placeOf = (uses: Uses, is: ColumnUse['is']): number => uses.findIndex((use) => use.is === is);

/** Rows after which it is told how far the reading is. */
const ROWS_A_TELLING = 500;

/** Everything that the tables of a spreadsheet say under a mapping, and everything that cannot be taken. */
export function readTables(
  tables: readonly Table[],
  mapping: Mapping,
  context: SheetContext,
  progress: (share: number) => void = () => undefined,
): SheetFound {
  const reader = new Reader(mapping, context);
  const all = tables.reduce((sum, { rows }) => sum + rows.length, 0);
  let read = 0;
  for (const table of tables) {
    reader.take(table, () => {
      read += 1;
      if (read % ROWS_A_TELLING === 0) progress(read / all);
    });
  }
  return reader.found();
}

class Reader {
  private readonly tests: Test[] = [];
  private readonly notes = new Map<string, SheetNote>();
  private readonly offers = new Map<string, SheetOffer>();
  private readonly refused: Refused[] = [];
  private readonly clocks = new Map<string, SheetClock>();

  constructor(
    private readonly mapping: Mapping,
    private readonly context: SheetContext,
  ) {}

  private clockOf(zone: string): SheetClock {
    const known = this.clocks.get(zone);
    if (known) return known;
    const clock = new SheetClock(zone);
    this.clocks.set(zone, clock);
    return clock;
  }

  take(table: Table, told: () => void): void {
    const uses = table.columns.map(
      ({ heading, nth }): ColumnUse => useOf(this.mapping, heading, nth) ?? { is: 'nothing' },
    );
    const sheet = table.sheet === '' ? '' : `${table.sheet}, `;
    for (const row of table.rows) {
      this.takeRow(table, uses, row, `${sheet}${row.where}`);
      told();
    }
  }

  private refuse(where: string, text: string, why: string): void {
    this.refused.push({ where, text, why });
  }

  private takeRow(table: Table, uses: Uses, row: TableRow, where: string): void {
    if (row.not === 'heading') return;
    const first = row.cells.find((cell) => cell.trim() !== '') ?? '';
    if (row.not === 'total')
      return this.refuse(where, first, 'sums up other rows, and is no test.');
    const cell = (is: ColumnUse['is']) => (row.cells[placeOf(uses, is)] ?? '').trim();
    const tank = this.tankOf(cell('tank'));
    if (!tank) return this.refuse(where, cell('tank'), 'is no tank of this log.');
    const moment = this.momentOf(table, tank, cell);
    if (typeof moment === 'string') {
      const when = cell('when') || cell('dayOfMonth') || first;
      return this.refuse(where, when, moment);
    }
    const place = { where, tankId: tank.id, moment };
    const byRow = uses.some(({ is }) => is === 'value');
    if (byRow) this.takeTest(uses, row, place);
    uses.forEach((use, i) => {
      if (use.is !== 'reading') return;
      const at = `${where}, ${table.columns[i]?.heading || table.columns[i]?.where}`;
      const text = (row.cells[i] ?? '').trim();
      this.takeCell(
        { ...place, where: at, text, kitName: cell('kit'), dilution: 1, note: '' },
        use,
      );
    });
    uses.forEach((use, i) => {
      // Beside one test it is that test's; beside a row of several it is the day's.
      if (use.is === 'note' && !byRow) this.takeNote(place, (row.cells[i] ?? '').trim());
    });
  }

  private tankOf(name: string): SheetTank | undefined {
    const { tanks, tankId } = this.context;
    if (name === '') return tanks.find(({ id }) => id === tankId);
    return tanks.find((tank) => tank.name.trim().toLowerCase() === name.toLowerCase());
  }

  /** When a row was tested, or why that cannot be told. */
  private momentOf(
    table: Table,
    tank: SheetTank,
    cell: (is: ColumnUse['is']) => string,
  ): Moment | string {
    const clock = this.clockOf(tank.zone);
    const time = timeIn(cell('time'));
    const { now, today } = this.context;
    const ahead = (moment: Moment) =>
      moment.at > now && moment.iso.slice(0, 10) > today ? 'lies ahead of today.' : moment;
    const ofMonth = cell('dayOfMonth');
    if (ofMonth !== '') {
      if (table.month === null) return 'is a day of a month that nothing names.';
      const month = String(table.month).padStart(2, '0');
      const year = table.year ?? Number(today.slice(0, 4));
      const when = whenIn(`${year}-${month}-${ofMonth.padStart(2, '0')}`, 'ymd', today);
      if (!when?.day) return `is no day of month ${table.month}.`;
      return ahead(clock.moment(when.day, time ?? NOON));
    }
    const text = cell('when');
    if (text === '') return 'has no day.';
    const when = whenIn(text, this.mapping.order, today, table.year);
    if (!when) return 'is no day that can be read.';
    if (when.at !== undefined) {
      return ahead(/T.*[+-]\d\d:\d\d$/.test(text) ? { at: when.at, iso: text } : clock.of(when.at));
    }
    if (when.tankDay !== undefined && tank.filledOn === null) {
      return `counts from the filling of ${tank.name}, and the log does not say when that was.`;
    }
    const day =
      when.tankDay === undefined ? when.day : shiftDay(tank.filledOn ?? today, when.tankDay, today);
    return ahead(clock.moment(day ?? today, when.time ?? time ?? NOON));
  }

  /** A row that is one test: its parameter, value, unit and the ends it lies between stand in cells of their own. */
  private takeTest(
    uses: Uses,
    row: TableRow,
    place: Pick<Test, 'where' | 'tankId' | 'moment'>,
  ): void {
    const cell = (is: ColumnUse['is']) => (row.cells[placeOf(uses, is)] ?? '').trim();
    const name = cell('parameter');
    const parameter = parameterIn(name);
    if (parameter === null) {
      if (name !== '') this.refuse(place.where, name, 'is no test that Zoarium keeps.');
      return;
    }
    const said = [cell('unit'), cell('basis')].join(' ').trim();
    const known = this.mapping.parameters[parameter];
    const told = said === '' ? null : measureIn(parameter, `${name} ${said}`);
    const how: How = {
      unit: told?.unit ?? known?.unit ?? PARAMETERS[parameter].shownUnit,
      scaling: told?.scaling ?? known?.scaling ?? 'plain',
      zero: known?.zero ?? 'zero',
    };
    const { mark } = this.mapping;
    const [low, high] = [cell('low'), cell('high')];
    const text = cell('value') || (low !== '' && high !== '' ? `${low} - ${high}` : '');
    const dilution = numberIn(cell('dilution'), mark) ?? 1;
    const note = cell('note').slice(0, NOTE_LETTERS);
    this.takeCell({ ...place, text, kitName: cell('kit'), dilution, note }, { parameter, ...how });
  }

  private takeCell(
    test: Omit<Test, 'cell' | 'unit' | 'parameter'>,
    { parameter, unit, scaling, zero }: How & { parameter: ParameterId },
  ): void {
    const read = cellValue(test.text, this.mapping.mark);
    if (read.is === 'nothing') return;
    if (read.is === 'noNumber') return this.refuse(test.where, test.text, 'is no figure.');
    if (read.is === 'number' && read.value === 0 && zero === 'untested') return;
    const own = 'unit' in read ? read.unit : '';
    const measure = this.measureOf(parameter, { unit, scaling }, own);
    if (measure === null) {
      return this.refuse(
        test.where,
        test.text,
        'is in another unit than its column, or none at all.',
      );
    }
    const scaledTo = (value: number) => inUnit(value, measure).value;
    const inIts = 'value' in read ? inUnit(read.value, measure).unit : inUnit(0, measure).unit;
    const cell: CellValue =
      read.is === 'trace'
        ? read
        : read.is === 'between'
          ? { ...read, low: scaledTo(read.low), high: scaledTo(read.high) }
          : { ...read, value: scaledTo(read.value) };
    this.tests.push({ ...test, parameter, cell, unit: inIts });
  }

  /** What a figure is in: its own unit where it has one, else that of its column; null where the two differ in kind. */
  private measureOf(parameter: ParameterId, column: Pick<How, 'unit' | 'scaling'>, own: string) {
    if (own === '') return column;
    const told = measureIn(parameter, own);
    if (told === null) return isUnitWord(own) ? column : null;
    if (!PARAMETERS[parameter].basis) return told;
    return told.unit === column.unit ? told : null;
  }

  private takeNote(
    { where, tankId, moment }: Pick<Test, 'where' | 'tankId' | 'moment'>,
    text: string,
  ) {
    if (text === '') return;
    const id = derivedId(`sheet note/${tankId}/${moment.at}/${text}`);
    const note = { id, where, tankId, at: moment.iso, text: text.slice(0, NOTE_LETTERS) };
    this.notes.set(id, note);
    const change = /\b(wc|water ?change|changed?)\b/i.test(text) ? changeAsked(text) : null;
    if (change) {
      const offer = derivedId(`sheet offer/${tankId}/${moment.at}/${text}`);
      this.offers.set(offer, { ...note, id: offer, ...change });
    }
  }

  found(): SheetFound {
    const groups = new Map<string, Test[]>();
    for (const test of this.tests) {
      const key = `${test.parameter}\n${test.unit}\n${test.kitName}`;
      const group = groups.get(key);
      if (group) group.push(test);
      else groups.set(key, [test]);
    }
    const freshKits = new Map<string, SheetKit>();
    const kitOf = new Map<string, SheetKit>();
    for (const [key, tests] of groups) {
      const [{ parameter, unit, kitName }] = tests as [Test];
      const values = tests.map(({ cell }) => cell);
      const kit = chooseKit({ parameter, unit, name: kitName, values }, this.context.kits);
      kitOf.set(key, kit);
    }
    const equals = new Map<string, number>();
    const readings = this.tests.flatMap((test): SheetReading[] => {
      const { parameter, unit, kitName, moment, tankId, text } = test;
      const kit = kitOf.get(`${parameter}\n${unit}\n${kitName}`) as SheetKit;
      const value = this.valueOf(test, kit);
      if (value === null) return [];
      if (kit.fresh) freshKits.set(kit.id, kit);
      const key = `${tankId}/${parameter}/${moment.at}/${text}`;
      const nth = equals.get(key) ?? 0;
      equals.set(key, nth + 1);
      return [
        {
          id: derivedId(`sheet/${key}/${nth}`),
          where: test.where,
          tankId,
          parameter,
          at: moment.iso,
          text,
          kitId: kit.id,
          unit,
          value,
          dilution: test.dilution,
          note: test.note,
          unlikely: doubtOf(parameter, middleOf(value), unit) !== null,
        },
      ];
    });
    return {
      readings,
      notes: [...this.notes.values()],
      offers: [...this.offers.values()],
      refused: this.refused,
      freshKits: [...freshKits.values()],
    };
  }

  /** What a test says on the scale of its kit; null where it does not say it, which is told. */
  private valueOf(
    { cell, parameter, unit, text, where }: Test,
    { kit }: SheetKit,
  ): ReadingValue | null {
    const { name, possible } = PARAMETERS[parameter];
    const figures =
      cell.is === 'between' ? [cell.low, cell.high] : 'value' in cell ? [cell.value] : [];
    const beyond = figures.find((figure) => {
      const canonical = toCanonical(figure, unit);
      return canonical < possible.low || canonical > possible.high;
    });
    if (beyond !== undefined) {
      this.refuse(where, text, `cannot be: ${name} of ${withUnit(formatPlain(beyond, 4), unit)}.`);
      return null;
    }
    if (kit.scale.form === 'card') {
      const value = cardValue(kit.scale.steps, cell);
      if (value === null) this.refuse(where, text, `is no reading of ${kit.name}.`);
      return value;
    }
    if (cell.is === 'number' && !cell.about) return { form: 'digital', value: cell.value, unit };
    this.refuse(where, text, 'is no figure of a meter, which shows one number.');
    return null;
  }
}

function middleOf(value: ReadingValue): number {
  if (value.form === 'digital') return value.value;
  return ((value.steps[value.low] ?? 0) + (value.steps[value.high] ?? 0)) / 2;
}
