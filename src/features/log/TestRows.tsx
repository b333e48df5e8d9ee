import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Settings2 from 'lucide-react-native/icons/settings-2';
import { agoWords, countdownWords } from '@/core/time/words';
import { shownReading } from '@/core/history/shown';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { PARAMETERS } from '@/core/parameters/registry';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { PracticeShows } from '@/frame/practiceKit';
import { Bare, Button, LinkButton } from '@/ui/Press';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { CardSteps } from './CardSteps';
import { isReadByEye, ScaleSheet } from './ScaleSheet';
import { kitWords, type RowState, type Typed } from './testDraft';
import type { TestWaits } from './testWaits';

const styles = StyleSheet.create({
  row: { gap: space.xs, paddingVertical: space.s, borderBottomWidth: 1, borderColor: color.rule },
  head: { flexDirection: 'row', alignItems: 'center', gap: 6, minHeight: 32, flexWrap: 'wrap' },
  end: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'flex-end',
    alignItems: 'center',
    minWidth: 90,
  },
  boxes: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: 10,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  box: { flexGrow: 1, flexBasis: 100, minWidth: 100, maxWidth: 240 },
  more: { minHeight: 32, minWidth: 40 },
});

export interface RowActions {
  type: (kitId: string, typed: Typed | null) => void;
  keep: (kitId: string) => void;
  openMore: (kitId: string) => void;
}

/** "last 0, 2 days ago": what stands in a row until something is entered. */
export function lastWords(history: TankHistory, row: RowState, now: number): string {
  const last = latestReading(history, row.kit.body.parameter);
  if (!last) return 'not tested yet';
  return `last ${last.typed.replace('between ', '').replace(' and ', '–')}, ${agoWords(last.at, history.tank.zone, now)}`;
}

/** A card test: its steps, its timer, its last value. */
export function CardRow({
  row,
  history,
  now,
  timers,
  dilution,
  actions,
}: {
  row: RowState;
  history: TankHistory;
  now: number;
  timers: TestWaits;
  dilution: number;
  actions: RowActions;
}) {
  const { id, body } = row.kit;
  if (body.scale.form !== 'card') return null;
  const name = PARAMETERS[body.parameter].name;
  const chosen = row.typed?.form === 'card' ? row.typed : null;
  const left = timers.left(id);
  return (
    <View style={styles.row}>
      <View style={styles.head}>
        <Words as="strong" style={{ fontSize: 16 }}>
          {name}
        </Words>
        <Words as="soft">{`${kitWords(body)}${dilution > 1 ? `, diluted ×${formatPlain(dilution)}` : ''}`}</Words>
        <View style={styles.end}>
          <RowStatus
            chosen={chosen}
            steps={body.scale.steps}
            left={left}
            last={lastWords(history, row, now)}
          />
        </View>
        <Bare label={`More for ${name}`} onPress={() => actions.openMore(id)} style={styles.more}>
          <Settings2 size={18} color={color.inkSoft} />
        </Bare>
      </View>
      <PracticeShows kitId={id} kit={body} dilution={dilution} left={left} />
      <CardSteps
        name={name}
        steps={body.scale.steps}
        chosen={chosen}
        onChange={(next) => actions.type(id, next && { form: 'card', ...next })}
      />
      {body.waitMinutes > 0 && left === null && !chosen ? (
        <LinkButton
          soft
          label={`Start the ${formatPlain(body.waitMinutes)} min wait`}
          accessibleName={`Start the ${formatPlain(body.waitMinutes)} minute wait for ${name}`}
          onPress={() => timers.start(id, body.waitMinutes, name)}
        />
      ) : null}
    </View>
  );
}

function RowStatus({
  chosen,
  steps,
  left,
  last,
}: {
  chosen: { low: number; high: number } | null;
  steps: readonly number[];
  left: number | null;
  last: string;
}) {
  if (chosen) {
    const text =
      chosen.low === chosen.high
        ? 'done'
        : `between ${formatPlain(steps[chosen.low] ?? 0)} and ${formatPlain(steps[chosen.high] ?? 0)}`;
    return (
      <Words as="soft" style={{ fontWeight: '600' }}>
        {text}
      </Words>
    );
  }
  if (left !== null) {
    return (
      <Words as="strong" style={{ color: left > 0 ? color.deep : color.ink }}>
        {left > 0 ? `wait ${countdownWords(left)}` : 'read it now'}
      </Words>
    );
  }
  return <Words as="soft">{last}</Words>;
}

/** Digital readings side by side, as boxes for a pad of digits. */
export function DigitalBoxes({
  rows,
  history,
  now,
  active,
  ownPad,
  onFocus,
  onSubmit,
  actions,
}: {
  rows: readonly RowState[];
  history: TankHistory;
  now: number;
  active: string | null;
  ownPad: boolean;
  onFocus: (kitId: string) => void;
  onSubmit: () => void;
  actions: RowActions;
}) {
  const [seen, setSeen] = useState<string | null>(null);
  const eye = rows.find((row) => row.kit.id === seen);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: color.rule, paddingBottom: space.m }}>
      <View style={[styles.boxes, { borderBottomWidth: 0, paddingBottom: 0 }]}>
        {rows.map((row) => {
          const { id, body } = row.kit;
          const last = latestReading(history, body.parameter);
          const asking = active !== id;
          return (
            <Field
              key={id}
              anchor={`digits-${id}`}
              style={[styles.box, active === id && { zIndex: 1 }]}
              label={PARAMETERS[body.parameter].name}
              value={row.typed?.form === 'digital' ? row.typed.text : ''}
              unit={unitSymbol(body.unit)}
              kind="number"
              ownPad={ownPad}
              hint={
                last
                  ? `last ${shownReading(last, body.unit).value}, ${agoWords(last.at, history.tank.zone, now)}`
                  : 'not measured yet'
              }
              error={asking ? row.error : undefined}
              onFocus={() => onFocus(id)}
              onSubmit={onSubmit}
              onChange={(text) => actions.type(id, text === '' ? null : { form: 'digital', text })}
            />
          );
        })}
      </View>
      {rows.map(({ kit }) => (
        <PracticeShows key={kit.id} kitId={kit.id} kit={kit.body} dilution={1} left={null} />
      ))}
      {rows
        .filter((row) => isReadByEye(row.kit.body))
        .map(({ kit }) => (
          <LinkButton
            key={kit.id}
            soft
            label={`Read ${kit.body.name} on its scale`}
            onPress={() => setSeen(kit.id)}
          />
        ))}
      {eye ? (
        <ScaleSheet
          key={eye.kit.id}
          kit={eye.kit.body}
          start={eye.typed?.form === 'digital' ? parseNumber(eye.typed.text) : null}
          onRead={(text) => actions.type(eye.kit.id, { form: 'digital', text })}
          onClose={() => setSeen(null)}
        />
      ) : null}
      {rows.map((row) =>
        row.doubt && active !== row.kit.id ? (
          <Question key={row.kit.id} row={row} actions={actions} />
        ) : null,
      )}
    </View>
  );
}

/** The one question about an odd value. Either answer keeps what was typed from getting lost. */
function Question({ row, actions }: { row: RowState; actions: RowActions }) {
  const { doubt, kit, typed } = row;
  if (!doubt || typed?.form !== 'digital') return null;
  const { instead } = doubt;
  return (
    <View style={{ marginTop: space.m }} role="alert">
      <Remark tone="watch" title="Just to be sure">
        <Words as="body">{doubt.question}</Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.s, marginTop: space.xs }}>
          {instead !== undefined ? (
            <Button
              label={`Use ${formatPlain(instead, 4)}`}
              onPress={() =>
                actions.type(kit.id, { form: 'digital', text: formatPlain(instead, 4) })
              }
            />
          ) : null}
          <Button label={`Keep ${typed.text}`} onPress={() => actions.keep(kit.id)} />
        </View>
        {doubt.kind === 'impossible' ? (
          <Words as="soft">Kept as it is, it stays in the log and decides nothing.</Words>
        ) : null}
      </Remark>
    </View>
  );
}
