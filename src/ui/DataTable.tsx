import { ScrollView, StyleSheet, View } from 'react-native';
import { color, space } from './tokens';
import { Words } from './Words';

const styles = StyleSheet.create({
  table: { borderTopWidth: 1, borderColor: color.rule, minWidth: '100%' },
  row: { flexDirection: 'row', borderBottomWidth: 1, borderColor: color.rule },
  cell: { flex: 1, minWidth: 92, paddingVertical: space.s, paddingRight: space.m },
});

/** The same facts as a drawing, as a table that a screen reader can walk. */
export function DataTable({
  caption,
  columns,
  rows,
}: {
  caption: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
}) {
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
          {columns.map((column) => (
            <View key={column} role={'columnheader' as 'cell'} style={styles.cell}>
              <Words as="soft" style={{ fontWeight: '600' }}>
                {column}
              </Words>
            </View>
          ))}
        </View>
        {rows.map((row, index) => (
          <View key={index} role="row" style={styles.row}>
            {row.map((cell, column) => (
              <View key={column} role={'cell'} style={styles.cell}>
                <Words as="body">{cell}</Words>
              </View>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}
