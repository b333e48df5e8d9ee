import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { color, space, touch } from '../tokens';
import { Words } from '../Words';
import { Tap } from '../press/Tap';

/** What stands in a cell; the value is what its column is sorted by where the words would not do. */
export type Cell = string | { words: string; value: number };

export interface DataTableProps {
  caption: string;
  columns: readonly string[];
  rows: readonly (readonly Cell[])[];
}

const wordsOf = (cell: Cell | undefined) => (typeof cell === 'object' ? cell.words : (cell ?? ''));

function compareCells(a: Cell | undefined, b: Cell | undefined): number {
  if (typeof a === 'object' && typeof b === 'object') return a.value - b.value;
  return wordsOf(a).localeCompare(wordsOf(b), undefined, { numeric: true });
}

type TableRow = readonly Cell[];
const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
const helper = createColumnHelper<typeof features, TableRow>();

/** Rows from which on only those in sight are drawn, in a box of its own height. */
const LONG = 60;
const ROW_HEIGHT = 41;
const BOX_HEIGHT = 440;

const styles = StyleSheet.create({
  table: { borderTopWidth: 1, borderColor: color.rule, minWidth: '100%' },
  row: { flexDirection: 'row', borderBottomWidth: 1, borderColor: color.rule },
  cell: { flex: 1, minWidth: 92, paddingVertical: space.s, paddingRight: space.m },
  head: { flex: 1, minWidth: 92, minHeight: touch },
  sort: { flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: touch },
  placed: { position: 'absolute', left: 0, right: 0, top: 0, height: ROW_HEIGHT },
});

/** The same facts as a drawing, as a table that a screen reader can walk and any column can order. */
export function DataTable({ caption, columns, rows }: DataTableProps) {
  const defined = useMemo(
    () =>
      columns.map((label, index) =>
        helper.accessor((row): unknown => wordsOf(row[index]), {
          id: label,
          header: label,
          sortFn: (a, b) => compareCells(a.original[index], b.original[index]),
        }),
      ),
    [columns],
  );
  const table = useTable({ features, columns: defined, data: rows });
  const sorted = table.getRowModel().rows;
  const box = useRef<ScrollView>(null);
  const long = sorted.length > LONG;
  // The package hands out functions that read the scroll as it is; memoising around them is left out.
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: long ? sorted.length : 0,
    getScrollElement: () => (box.current?.getScrollableNode() ?? null) as Element | null,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
  });
  const cellsOf = (row: (typeof sorted)[number]) =>
    row.getAllCells().map((cell) => (
      <View key={cell.id} role="cell" style={styles.cell}>
        <Words as="body" lines={long ? 1 : undefined}>
          {String(cell.getValue())}
        </Words>
      </View>
    ));
  return (
    <ScrollView
      horizontal
      contentContainerStyle={{ flexGrow: 1 }}
      tabIndex={0}
      role="region"
      aria-label={caption}
    >
      <View role="table" aria-label={caption} style={styles.table}>
        <View role="row" style={styles.row}>
          {table.getFlatHeaders().map(({ column, id }) => {
            const order = column.getIsSorted();
            return (
              <View
                key={id}
                role={'columnheader' as 'cell'}
                style={styles.head}
                {...{ 'aria-sort': order ? `${order}ending` : 'none' }}
              >
                <Tap
                  role="button"
                  aria-label={`Order by ${column.id}`}
                  onPress={() => column.toggleSorting()}
                  style={styles.sort}
                >
                  <Words as="soft" style={{ fontWeight: '600' }}>
                    {column.id}
                  </Words>
                  {order === 'asc' ? <ArrowUp size={14} color={color.ink} /> : null}
                  {order === 'desc' ? <ArrowDown size={14} color={color.ink} /> : null}
                </Tap>
              </View>
            );
          })}
        </View>
        {long ? (
          <ScrollView ref={box} style={{ maxHeight: BOX_HEIGHT }} tabIndex={0}>
            <View style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map(({ index, start }) => {
                const row = sorted[index];
                return row ? (
                  <View
                    key={row.id}
                    role="row"
                    {...{ 'aria-rowindex': index + 2 }}
                    style={[styles.row, styles.placed, { transform: [{ translateY: start }] }]}
                  >
                    {cellsOf(row)}
                  </View>
                ) : null;
              })}
            </View>
          </ScrollView>
        ) : (
          sorted.map((row) => (
            <View key={row.id} role="row" style={styles.row}>
              {cellsOf(row)}
            </View>
          ))
        )}
      </View>
    </ScrollView>
  );
}
