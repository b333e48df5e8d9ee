import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, TextInput, View } from 'react-native';
import type { TankHistory } from '@/core/history/tankHistory';
import { dayInWords } from '@/core/time/calendar';
import { dayOf, isoInZone } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { useRecordForm } from '@/forms/useRecordForm';
import { useLeave } from '@/frame/useLeave';
import { useAppSelector } from '@/store/hooks';
import { selectKits, selectNow, selectTankId } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { TypedDay } from '@/ui/DayField';
import { Footer } from '@/ui/Footer';
import { Button, LinkButton } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { color, font, radius, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { LogHead, LogUnder } from './LogHead';
import {
  cellKey,
  columnsOf,
  emptyPaper,
  MOST_ROWS,
  paperSchema,
  readPaper,
  type PaperDay,
  type PaperForm,
} from './paperForm';

/** Widths of the page, px: the day, and the least of a column. */
const DAY_WIDTH = 86;
const CELL_WIDTH = 60;

const styles = StyleSheet.create({
  page: { minWidth: '100%' },
  line: { flexDirection: 'row', gap: space.xs },
  day: { width: DAY_WIDTH },
  cell: { flexGrow: 1, flexBasis: CELL_WIDTH, width: CELL_WIDTH },
  box: {
    minHeight: touch,
    width: '100%',
    borderWidth: 1,
    borderColor: color.edge,
    borderRadius: radius.fine,
    backgroundColor: color.raised,
    color: color.ink,
    paddingHorizontal: space.xs,
    textAlign: 'center',
    fontFamily: font.serif,
    fontStyle: 'italic',
    fontSize: 17,
  },
  written: { fontFamily: font.sans, fontStyle: 'normal', fontSize: 15 },
  wrong: { borderColor: color.danger, borderWidth: 2 },
  row: { gap: 2, paddingVertical: space.xs },
});

/** Tests that were written on paper: one line a day, saved in one go. */
export function PaperScreen() {
  const inView = useAppSelector(selectTankId);
  const [tankId] = useState(inView);
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  return history ? <Page history={history} /> : null;
}

/** What a line says beneath itself: what is wrong with it, else which day it is. */
function lineNote(errors: Record<string, string>, index: number, day: string): string | null {
  const wrong = Object.entries(errors)
    .filter(([key]) => key.startsWith(`${index}/`))
    .map(([, why]) => why);
  return wrong.length > 0 ? [...new Set(wrong)].join(' ') : dayInWords(day);
}

function Page({ history }: { history: TankHistory }) {
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const leave = useLeave();
  const { zone } = history.tank;
  const today = dayOf(now, zone);
  const begun = history.start === null ? null : dayOf(history.start, zone);
  const [opened] = useState({ now, today });
  const read = useMemo(
    () => (form: PaperForm) => {
      const { days, errors } = readPaper(form, { kits, zone, ...opened });
      const wrong = Object.keys(errors).length;
      if (wrong > 0) {
        return {
          ok: false as const,
          errors: { rows: `${countOf(wrong, 'place')} on the page to look at.` },
        };
      }
      if (days.length === 0) {
        return { ok: false as const, errors: { rows: 'Nothing is written yet.' } };
      }
      return { ok: true as const, value: days };
    },
    [kits, zone, opened],
  );
  const [start] = useState(emptyPaper);
  const record = useRecordForm<PaperForm, PaperDay[], 'entry'>({
    name: `paper/${history.tankId}`,
    fields: paperSchema,
    read,
    start,
  });
  const { form, set } = record;
  const { errors } = readPaper(form, { kits, zone, ...opened });
  const tried = record.errors.rows !== undefined;
  const every = columnsOf(kits);
  const columns = every.filter(({ id }) => form.columns.includes(id));
  const written = record.reading.ok ? record.reading.value.length : 0;
  const put = (index: number, change: Partial<PaperForm['rows'][number]>) =>
    set({ rows: form.rows.map((row, i) => (i === index ? { ...row, ...change } : row)) });
  const save = async () => {
    const recorded = await record.save(
      (act, days) => {
        for (const { at, body } of days) {
          act.create('entry', { ...body, tankId: history.tankId, at: isoInZone(at, zone) });
        }
      },
      (days) => `Saved ${countOf(days.length, 'entry').replace(/entrys$/, 'entries')} from paper`,
    );
    if (recorded) leave();
  };
  return (
    <Screen
      head={<LogHead title="From paper" tankName={history.tank.name} />}
      under={<LogUnder when={null} />}
      footer={
        <Footer>
          <Button
            label="Add a line"
            onPress={() =>
              set({ rows: [...form.rows, { day: '', cells: {} }].slice(0, MOST_ROWS) })
            }
          />
          <Button
            kind="primary"
            label={written === 0 ? 'Save the page' : `Save ${written} of them`}
            disabled={record.busy}
            onPress={() => void save()}
            style={{ flex: 1 }}
          />
        </Footer>
      }
    >
      <Opening title="What the paper says, a line a day.">
        {begun === null
          ? 'Write the day as you would say it: 3 Nov, yesterday. Leave empty what was not tested.'
          : 'Write the day as you would say it: 3 Nov, yesterday, or day 4 of the tank. Leave empty what was not tested.'}
      </Opening>
      <ScrollView
        horizontal
        role="region"
        aria-label="The page"
        tabIndex={0}
        contentContainerStyle={styles.page}
      >
        <View style={{ flex: 1 }}>
          <View style={styles.line} aria-hidden>
            <View style={styles.day}>
              <Words as="small">Day</Words>
            </View>
            {columns.map(({ id, label }) => (
              <View key={id} style={styles.cell}>
                <Words as="small" style={{ textAlign: 'center' }}>
                  {label}
                </Words>
              </View>
            ))}
          </View>
          {form.rows.map((row, index) => {
            const note = lineNote(tried ? errors : {}, index, row.day);
            const bad = (column: string) => tried && errors[cellKey(index, column)] !== undefined;
            return (
              // A line has nothing but its place: lines are only ever added at the end.
              <View key={index} style={styles.row}>
                <View style={styles.line}>
                  <View style={styles.day}>
                    <TypedDay
                      name={`Day of line ${index + 1}`}
                      value={row.day}
                      today={today}
                      begun={begun}
                      onChange={(day) => put(index, { day })}
                      style={[styles.box, styles.written, bad('day') && styles.wrong]}
                    />
                  </View>
                  {columns.map(({ id, label }) => (
                    <View key={id} style={styles.cell}>
                      <TextInput
                        aria-label={`${label}, line ${index + 1}`}
                        inputMode="decimal"
                        value={row.cells[id] ?? ''}
                        onChangeText={(text) => put(index, { cells: { ...row.cells, [id]: text } })}
                        style={[styles.box, bad(id) && styles.wrong]}
                      />
                    </View>
                  ))}
                </View>
                {note === null ? null : <Words as="soft">{note}</Words>}
              </View>
            );
          })}
        </View>
      </ScrollView>
      {every.length > columns.length ? (
        <LinkButton
          soft
          label={`More columns: ${every
            .filter((column) => !columns.includes(column))
            .map(({ word }) => word)
            .join(', ')}`}
          onPress={() => set({ columns: every.map(({ id }) => id) })}
        />
      ) : null}
      <Words as="soft">
        Tests count as noon of their day. A dose of the same day counts as made after the test,
        unless the test shows it. A number between two steps of a card is kept as between them.
      </Words>
    </Screen>
  );
}
