import { View } from 'react-native';
import { piece, roomFor } from './piece';
import type { LongListProps } from './table/LongList';

const tables = piece(() => import('./table/chunk'));
const LongOne = roomFor(tables, 'LongList', ({ items, rowHeight }) => items.length * rowHeight);

/** A table, fetched when the first is asked for. */
export const DataTable = roomFor(tables, 'DataTable', 0);

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
    <LongOne
      {...{ items, rowHeight }}
      keyOf={keyOf as (item: unknown) => string}
      render={render as LongListProps<unknown>['render']}
    />
  );
}
