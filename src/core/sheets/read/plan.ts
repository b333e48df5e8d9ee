import type { ParameterId } from '../../parameters/registry';
import type { Unit } from '../../units/units';
import type { Table, TableRow } from '../guess/table';
import { useOf, type How, type Mapping, type OtherUse } from '../mapping';
import type { CellValue } from './cell';
import type { Group } from './scale';

/** Where in a row of a table each thing stands, found once for all rows. */
export interface Plan {
  table: Table;
  /** The cell of a use; empty for one that no column has. */
  cell: (row: TableRow, use: OtherUse) => string;
  has: ReadonlySet<OtherUse>;
  readings: readonly { at: number; name: string; how: ColumnTest }[];
  notes: readonly number[];
}

/** A parameter, how its numbers are meant, and every text that was read so already. */
export interface ColumnTest extends How {
  parameter: ParameterId;
  read: Map<string, CellRead | null>;
  /** The group that its last test belonged to. */
  last?: Group;
}

/** What a text of a column says, in its unit; or why it cannot be taken. */
export type CellRead = { cell: CellValue; unit: Unit } | { why: string };

export function planOf(table: Table, mapping: Mapping): Plan {
  const uses = table.columns.map(({ heading, nth }) => useOf(mapping, heading, nth));
  const places = new Map<OtherUse, number>();
  uses.forEach((use, i) => {
    if (use && use.is !== 'reading' && !places.has(use.is)) places.set(use.is, i);
  });
  return {
    table,
    cell: ({ cells }, use) => {
      const place = places.get(use);
      return place === undefined ? '' : (cells[place] ?? '').trim();
    },
    has: new Set(places.keys()),
    readings: uses.flatMap((use, at) => {
      if (use?.is !== 'reading') return [];
      const { heading, where } = table.columns[at] ?? { heading: '', where: '' };
      return [{ at, name: heading || where, how: { ...use, read: new Map() } }];
    }),
    notes: uses.flatMap((use, at) => (use?.is === 'note' ? [at] : [])),
  };
}
