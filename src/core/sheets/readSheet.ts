import { animalsTold } from './read/animalsTold';
import type { SheetOffer, Told } from './read/offer';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { derivedId, hashText } from '../math/hash';
import { NOTE_LETTERS } from '../records/common';
import { changeAsked } from '../search/changeAsked';
import { shiftDay } from '../time/calendar';
import type { Unit } from '../units/units';
import { SheetClock, type Moment } from './clock';
import { inUnit } from './guess/measure';
import type { Table, TableRow } from './guess/table';
import type { SheetKit } from './kits';
import type {
  Refused,
  SheetContext,
  SheetFound,
  SheetNote,
  SheetReading,
  SheetTank,
} from './read/found';
import type { How, Mapping } from './mapping';
import { planOf, type CellRead, type ColumnTest, type Plan } from './read/plan';
import { Scale, type Group } from './read/scale';
import { placeWords } from './placeWords';
import { cellValue, type CellValue } from './read/cell';
import { timeIn, whenIn, type When } from './read/day';
import { isUnitWord, measureIn, parameterIn } from './read/names';
import { numberIn } from './read/number';

/** A sample is diluted so far at most, as records have it. */
const MOST_DILUTION = 1000;

/** A test without an hour is taken to be made at noon. */
const NOON = '12:00';

/** A moment as records keep it, with its seconds and the offset that its clock had. */
const WRITTEN_IN_FULL = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?[+-]\d\d:\d\d$/;

/** A row of tests: whose they are and when they were made. */
interface RowPlace {
  where: string;
  tankId: string;
  moment: Moment;
}

/** A test before its kit is chosen. */
interface Test {
  row: RowPlace;
  /** The heading of its column; empty where the row is one test. */
  column: string;
  group: Group;
  text: string;
  cell: CellValue;
  dilution: number;
  note: string;
}

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
  private readonly groups = new Map<string, Group>();
  private readonly tanks = new Map<string, SheetTank | null>();
  /** The last that was read, by the text of its cell: rows of one session follow one another. */
  private last: { text: string; when: When | null } | null = null;
  private readonly times = new Map<string, string | null>();
  /** Tests by their name and by what is said of their unit beside it. */
  private readonly named = new Map<string, Map<string, ColumnTest | null>>();

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
    const plan = planOf(table, this.mapping);
    // Another table may be of another year.
    this.last = null;
    const sheet = table.sheet === '' ? '' : `${table.sheet}, `;
    for (const row of table.rows) {
      this.takeRow(plan, row, `${sheet}${row.where}`);
      told();
    }
  }

  private refuse(where: string, text: string, why: string): void {
    this.refused.push({ where, text, why });
  }

  private takeRow(plan: Plan, row: TableRow, where: string): void {
    if (row.not === 'heading') return;
    if (row.not === 'total') {
      return this.refuse(where, firstOf(row), 'sums up other rows, and is no test.');
    }
    const named = plan.cell(row, 'tank');
    const tank = this.tankOf(named);
    if (!tank) return this.refuse(where, named, 'is no tank of this log.');
    const moment = this.momentOf(plan, row, tank);
    if (typeof moment === 'string') {
      const when = plan.cell(row, 'when') || plan.cell(row, 'dayOfMonth') || firstOf(row);
      return this.refuse(where, when, moment);
    }
    const place = { where, tankId: tank.id, moment };
    // Beside one test a note is that test's; beside a row of several it is the day's.
    if (plan.has.has('value')) return this.takeTest(plan, row, place);
    const kitName = plan.cell(row, 'kit');
    for (const { at, name, how } of plan.readings) {
      const text = (row.cells[at] ?? '').trim();
      if (text !== '') this.takeCell(place, name, text, how, kitName, 1, '');
    }
    for (const at of plan.notes) this.takeNote(place, (row.cells[at] ?? '').trim());
  }

  private tankOf(name: string): SheetTank | null {
    const known = this.tanks.get(name);
    if (known !== undefined) return known;
    const { tanks, tankId } = this.context;
    const tank = tanks.find((one) =>
      name === '' ? one.id === tankId : one.name.trim().toLowerCase() === name.toLowerCase(),
    );
    this.tanks.set(name, tank ?? null);
    return tank ?? null;
  }

  /** When a row was tested, or why that cannot be told. */
  private momentOf({ table, cell }: Plan, row: TableRow, tank: SheetTank): Moment | string {
    const clock = this.clockOf(tank.zone);
    const time = this.timeOf(cell(row, 'time'));
    const { today } = this.context;
    const ofMonth = cell(row, 'dayOfMonth');
    if (ofMonth !== '') {
      if (table.month === null) return 'is a day of a month that nothing names.';
      const month = String(table.month).padStart(2, '0');
      const year = table.year ?? Number(today.slice(0, 4));
      const when = whenIn(`${year}-${month}-${ofMonth.padStart(2, '0')}`, 'ymd', today);
      if (!when?.day) return `is no day of month ${table.month}.`;
      return this.notAhead(clock.moment(when.day, time ?? NOON));
    }
    const text = cell(row, 'when');
    if (text === '') return 'has no day.';
    const when = this.whenOf(text, table.year);
    if (!when) return 'is no day that can be read.';
    if (when.at !== undefined) {
      return this.notAhead(
        WRITTEN_IN_FULL.test(text) ? { at: when.at, iso: text } : clock.of(when.at),
      );
    }
    if (when.tankDay !== undefined && tank.filledOn === null) {
      return `counts from the filling of ${tank.name}, and the log does not say when that was.`;
    }
    const day =
      when.tankDay === undefined ? when.day : shiftDay(tank.filledOn ?? today, when.tankDay, today);
    return this.notAhead(clock.moment(day ?? today, when.time ?? time ?? NOON));
  }

  private notAhead(moment: Moment): Moment | string {
    const { now, today } = this.context;
    return moment.at > now && moment.iso.slice(0, 10) > today ? 'lies ahead of today.' : moment;
  }

  private whenOf(text: string, year: number | null): When | null {
    if (this.last?.text === text) return this.last.when;
    const when = whenIn(text, this.mapping.order, this.context.today, year);
    this.last = { text, when };
    return when;
  }

  private timeOf(text: string): string | null {
    if (text === '') return null;
    const known = this.times.get(text);
    if (known !== undefined) return known;
    const time = timeIn(text);
    this.times.set(text, time);
    return time;
  }

  /** A row that is one test: its parameter, value, unit and the ends it lies between stand in cells of their own. */
  private takeTest({ cell }: Plan, row: TableRow, place: RowPlace): void {
    const name = cell(row, 'parameter');
    const basis = cell(row, 'basis');
    const said = basis === '' ? cell(row, 'unit') : `${cell(row, 'unit')} ${basis}`.trim();
    const how = this.testOf(name, said);
    if (how === null) {
      if (name !== '') this.refuse(place.where, name, 'is no test that Zoarium keeps.');
      return;
    }
    const [low, high] = [cell(row, 'low'), cell(row, 'high')];
    const text = cell(row, 'value') || (low !== '' && high !== '' ? `${low} - ${high}` : '');
    if (text === '') return;
    const diluted = cell(row, 'dilution');
    const dilution = diluted === '' ? 1 : numberIn(diluted, this.mapping.mark);
    if (dilution === null || dilution < 1 || dilution > MOST_DILUTION) {
      return this.refuse(
        place.where,
        diluted,
        'is no dilution: it is 1 for a sample as it is, 2 for half water.',
      );
    }
    const note = cell(row, 'note').slice(0, NOTE_LETTERS);
    this.takeCell(place, '', text, how, cell(row, 'kit'), dilution, note);
  }

  /** What a name and the unit beside it say that a row is a test of; null for nothing that is kept. */
  private testOf(name: string, said: string): ColumnTest | null {
    let bySaid = this.named.get(name);
    if (bySaid === undefined) {
      bySaid = new Map();
      this.named.set(name, bySaid);
    }
    const known = bySaid.get(said);
    if (known !== undefined) return known;
    const parameter = parameterIn(name);
    const test = parameter && this.asMapped(parameter, name, said);
    bySaid.set(said, test);
    return test;
  }

  private asMapped(parameter: ParameterId, name: string, said: string): ColumnTest {
    const known = this.mapping.parameters[parameter];
    const told = said === '' ? null : measureIn(parameter, `${name} ${said}`);
    return {
      parameter,
      unit: told?.unit ?? known?.unit ?? PARAMETERS[parameter].shownUnit,
      scaling: told?.scaling ?? known?.scaling ?? 'plain',
      zero: known?.zero ?? 'zero',
      read: new Map(),
    };
  }

  private takeCell(
    row: RowPlace,
    column: string,
    text: string,
    how: ColumnTest,
    kitName: string,
    dilution: number,
    note: string,
  ): void {
    let read = how.read.get(text);
    if (read === undefined) {
      read = this.readCell(text, how);
      how.read.set(text, read);
    }
    if (read === null) return;
    if ('why' in read) return this.refuse(placeWords(row.where, column), text, read.why);
    const group = this.groupOf(how, read.unit, kitName);
    group.cells.add(read.cell);
    this.tests.push({ row, column, group, text, cell: read.cell, dilution, note });
  }

  private groupOf(how: ColumnTest, unit: Unit, kitName: string): Group {
    const { parameter, last } = how;
    if (last?.unit === unit && last.kitName === kitName) return last;
    const key = `${parameter}\n${unit}\n${kitName}`;
    let group = this.groups.get(key);
    if (group === undefined) {
      group = { parameter, unit, kitName, cells: new Set() };
      this.groups.set(key, group);
    }
    how.last = group;
    return group;
  }

  /** What a cell says, in its unit; null where nothing was tested, and why where it cannot be taken. */
  private readCell(
    text: string,
    { parameter, unit, scaling, zero }: How & { parameter: ParameterId },
  ): CellRead | null {
    const read = cellValue(text, this.mapping.mark);
    if (read.is === 'nothing') return null;
    if (read.is === 'noNumber') return { why: 'is no figure.' };
    if (read.is === 'number' && read.value === 0 && zero === 'untested') return null;
    const own = 'unit' in read ? read.unit : '';
    const measure = this.measureOf(parameter, { unit, scaling }, own);
    if (measure === null) return { why: 'is in another unit than its column, or none at all.' };
    const scaledTo = (value: number) => inUnit(value, measure).value;
    const inIts = 'value' in read ? inUnit(read.value, measure).unit : inUnit(0, measure).unit;
    const cell: CellValue =
      read.is === 'trace'
        ? read
        : read.is === 'between'
          ? { ...read, low: scaledTo(read.low), high: scaledTo(read.high) }
          : { ...read, value: scaledTo(read.value) };
    return { cell, unit: inIts };
  }

  /** What a figure is in: its own unit where it has one, else that of its column; null where the two differ in kind. */
  private measureOf(parameter: ParameterId, column: Pick<How, 'unit' | 'scaling'>, own: string) {
    if (own === '') return column;
    const told = measureIn(parameter, own);
    if (told === null) return isUnitWord(own) ? column : null;
    if (!PARAMETERS[parameter].basis) return told;
    return told.unit === column.unit ? told : null;
  }

  private takeNote({ where, tankId, moment }: RowPlace, text: string) {
    if (text === '') return;
    const id = derivedId(`sheet note/${tankId}/${moment.at}/${text}`);
    const note = { id, where, tankId, at: moment.iso, text: text.slice(0, NOTE_LETTERS) };
    this.notes.set(id, note);
    const offer = (told: Told, nth: string) => {
      const own = derivedId(`sheet offer/${tankId}/${moment.at}/${text}${nth}`);
      this.offers.set(own, { ...note, id: own, told });
    };
    const change = /\b(wc|water ?change|changed?)\b/i.test(text) ? changeAsked(text) : null;
    if (change) offer({ is: 'waterChange', ...change }, '');
    animalsTold(text).forEach((told, i) => offer({ is: 'animals', ...told }, `/${i}`));
  }

  found(): SheetFound {
    const scales = new Map<Group, Scale>();
    for (const group of this.groups.values())
      scales.set(group, new Scale(group, this.context.kits));
    const freshKits = new Map<string, SheetKit>();
    const named = new Map<string, { name: string; first: Map<number, string> }>();
    const equals = new Map<string, number>();
    const readings: SheetReading[] = [];
    for (const { row, column, group, text, cell, dilution, note } of this.tests) {
      const { tankId, moment } = row;
      const { parameter, unit } = group;
      const scale = scales.get(group) as Scale;
      const read = scale.of(cell);
      if ('why' in read) {
        this.refuse(placeWords(row.where, column), text, read.why);
        continue;
      }
      const { id: kitId, fresh } = scale.kit;
      if (fresh) freshKits.set(kitId, scale.kit);
      const about = tankId + parameter;
      let known = named.get(about);
      if (known === undefined) {
        known = { name: hashText(`sheet/${about}`), first: new Map() };
        named.set(about, known);
      }
      const key = `${known.name}/${moment.at}/${text}`;
      // Two tests of one moment are few: only what stands there a second time is counted by all that it says.
      const first = known.first.get(moment.at);
      let nth = 0;
      if (first === undefined) known.first.set(moment.at, text);
      else {
        nth = equals.get(key) ?? (first === text ? 1 : 0);
        equals.set(key, nth + 1);
      }
      readings.push({
        id: derivedId(`${key}/${nth}`),
        row: row.where,
        column,
        tankId,
        parameter,
        at: moment.iso,
        text,
        kitId,
        unit,
        value: read.value,
        dilution,
        note,
        unlikely: read.unlikely,
      });
    }
    return {
      readings,
      notes: [...this.notes.values()],
      offers: [...this.offers.values()],
      refused: this.refused,
      freshKits: [...freshKits.values()],
    };
  }
}

/** The first cell of a row in which something stands. */
const firstOf = (row: TableRow): string => row.cells.find((cell) => cell.trim() !== '') ?? '';
