import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useContext, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { ScreenScroll } from '../Screen';

export interface LongListProps<T> {
  items: readonly T[];
  keyOf: (item: T) => string;
  /** Height of a row before it is measured, px. */
  rowHeight: number;
  render: (item: T) => ReactNode;
}

/** A list of any length that scrolls with its screen, of which only what is in sight is drawn. */
export function LongList<T>({ items, keyOf, rowHeight, render }: LongListProps<T>) {
  const scroll = useContext(ScreenScroll);
  const list = useRef<View>(null);
  const [above, setAbove] = useState(0);
  const [, drawnAgain] = useState(false);
  const scroller = useCallback(
    () => (scroll?.current?.getScrollableNode() ?? null) as HTMLElement | null,
    [scroll],
  );
  useLayoutEffect(() => {
    const [box, element] = [scroller(), list.current as unknown as HTMLElement | null];
    // A list that is there with its screen comes before the screen has its scroll: once more, with it.
    if (!box) drawnAgain(true);
    if (!box || !element) return;
    const gap = element.getBoundingClientRect().top - box.getBoundingClientRect().top;
    setAbove(gap + box.scrollTop);
  }, [scroller, items]);
  // The package hands out functions that read the scroll as it is; memoising around them is left out.
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: scroller,
    estimateSize: () => rowHeight,
    getItemKey: (index) => (items[index] === undefined ? index : keyOf(items[index])),
    scrollMargin: above,
    overscan: 10,
  });
  return (
    <View ref={list} role="list" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ index, key, start }) => {
        const item = items[index];
        return item === undefined ? null : (
          <View
            key={key}
            role="listitem"
            {...{ dataSet: { index } }}
            ref={(row) => virtual.measureElement(row as unknown as Element | null)}
            style={{
              position: 'absolute',
              left: 0,
              right: 0,
              top: 0,
              transform: [{ translateY: start - above }],
            }}
          >
            {render(item)}
          </View>
        );
      })}
    </View>
  );
}
