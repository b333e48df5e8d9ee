import { StyleSheet, View } from 'react-native';
import type { ReportTable as Table } from '@/core/report/types';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  table: { borderTopWidth: 1, borderColor: color.rule },
  row: {
    flexDirection: 'row',
    gap: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
    paddingVertical: 5,
  },
  stacked: { borderBottomWidth: 1, borderColor: color.rule, paddingVertical: space.s, gap: 2 },
});

/** Letters of a column that count towards its share of the width: a long sentence breaks, a word does not. */
const [LEAST, MOST] = [6, 34];

/** The shares of the width that the columns of a table have, by what stands in them. */
function sharesOf({ columns, rows }: Table): number[] {
  return columns.map((heading, i) => {
    const longest = Math.max(heading.length, ...rows.map((row) => (row[i] ?? '').length));
    return Math.min(MOST, Math.max(LEAST, longest));
  });
}

/** A table that nobody has to touch: side by side where there is room, else row by row under one another. */
export function ReportTable({ table, wide }: { table: Table; wide: boolean }) {
  const { columns, rows } = table;
  const shares = sharesOf(table);
  if (!wide) {
    return (
      <View role="list" style={styles.table}>
        {rows.map((row, i) => (
          <View key={i} role="listitem" style={styles.stacked}>
            <Words as="strong">{row[0]}</Words>
            {row.slice(1).map((text, k) =>
              text === '' ? null : (
                <Words key={k} as="soft">
                  {columns[k + 1] ? `${columns[k + 1]}: ${text}` : text}
                </Words>
              ),
            )}
          </View>
        ))}
      </View>
    );
  }
  const cells = (texts: readonly string[], head: boolean) =>
    texts.map((text, i) => (
      <View
        key={i}
        role={head ? 'columnheader' : 'cell'}
        style={{ flexGrow: shares[i] ?? 1, flexShrink: 1, flexBasis: 0, minWidth: 0 }}
      >
        <Words as={head ? 'small' : i === 0 ? 'strong' : 'soft'}>{text}</Words>
      </View>
    ));
  return (
    <View role="table" style={styles.table}>
      {columns.some((heading) => heading !== '') ? (
        <View role="row" style={styles.row}>
          {cells(columns, true)}
        </View>
      ) : null}
      {rows.map((row, i) => (
        <View key={i} role="row" style={styles.row}>
          {cells(row, false)}
        </View>
      ))}
    </View>
  );
}
