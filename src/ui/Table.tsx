import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { DataTableProps } from './table/DataTable';
import type { LongListProps } from './table/LongList';

const LazyTable = lazy(async () => ({ default: (await import('./table/chunk')).DataTable }));
const LazyList = lazy(async () => ({ default: (await import('./table/chunk')).LongList }));

/** A table, fetched when the first is asked for. */
export function DataTable(props: DataTableProps) {
  return (
    <Suspense fallback={<View aria-busy />}>
      <LazyTable {...props} />
    </Suspense>
  );
}

/** Items up to which a list is drawn whole. */
const SHORT = 40;

/** A list of any length within a screen. */
export function LongList<T>(props: LongListProps<T>) {
  const { items, keyOf, rowHeight, render } = props;
  if (items.length <= SHORT) {
    return (
      <View role="list">
        {items.map((item) => (
          <View key={keyOf(item)} role="listitem">
            {render(item)}
          </View>
        ))}
      </View>
    );
  }
  return (
    <Suspense fallback={<View style={{ height: items.length * rowHeight }} aria-busy />}>
      <LazyList
        {...{ items, rowHeight }}
        keyOf={keyOf as (item: unknown) => string}
        render={render as LongListProps<unknown>['render']}
      />
    </Suspense>
  );
}
