import { useRouter } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { testSessionMeaning, type TestSession } from '@/core/meaning/testSession';
import { instant, isoInZone } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { PARAMETERS } from '@/core/parameters/registry';
import { newActId, recordAct } from '@/store/record';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectBands, selectKits, selectNow, selectTankId } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { selectHistoryOf } from '@/store/world';
import { Button, LinkButton } from '@/ui/Press';
import { Choice } from '@/ui/Choice';
import { runsOf } from '@/ui/parts';
import { Row } from '@/ui/Row';
import { Footer } from '@/ui/Footer';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { LogHead, LogUnder } from './LogHead';
import { MeaningPanel } from './MeaningPanel';
import { NumberPad, withKey } from './NumberPad';
import {
  EMPTY_TEST,
  entryOf,
  kitWords,
  previewOf,
  rowState,
  testDraftSchema,
  type TestDraft,
  type Typed,
} from './testDraft';
import { CardRow, DigitalBoxes, type RowActions } from './TestRows';
import { useTestWaits } from './testWaits';
import { to } from '@/frame/addresses';
import { useLeave } from '@/frame/useLeave';
import { When } from '@/ui/dates/When';

const DILUTIONS = [1, 2, 4, 10];

/** Test entry: a row per test in the keeper's own order, saved as one test session. */
export function TestSheetScreen() {
  const kits = useAppSelector(selectKits);
  const bands = useAppSelector(selectBands);
  const clock = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const leave = useLeave();
  const router = useRouter();
  const wide = useWide();
  const inView = useAppSelector(selectTankId);
  const [tankId] = useState(inView ?? '');
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const name = `test/${tankId}`;
  const [draft, keepDraft] = useDraft<TestDraft>(name, testDraftSchema, EMPTY_TEST);
  // A draft found here may lie open in another tab: what is made of it here is an act of its own.
  const own = useRef(false);
  const setDraft = (next: TestDraft) => {
    const actId = own.current ? next.actId : null;
    own.current = true;
    keepDraft({ ...next, actId: actId ?? dispatch(newActId()) });
  };
  const [active, setActive] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [more, setMore] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const pending = useRef(false);
  const timers = useTestWaits(tankId);
  const zone = history?.tank.zone ?? 'UTC';
  const at = draft.at === null ? clock : instant(draft.at);
  const shown = useMemo(
    () =>
      kits.filter((kit) => kit.body.inUse || draft.added.includes(kit.id) || draft.values[kit.id]),
    [kits, draft.added, draft.values],
  );
  const rows = useMemo(
    () => (history ? shown.map((kit) => rowState(draft, kit, history, at)) : []),
    [shown, draft, history, at],
  );
  const meanings = useMemo(() => {
    if (!history) return [];
    const testSession: TestSession = {};
    for (const row of rows) {
      const reading = row.doubt ? null : previewOf(draft, row, rows, history, isoInZone(at, zone));
      if (reading) testSession[reading.parameter] = reading;
    }
    return testSessionMeaning(testSession, history, bands, at);
  }, [rows, draft, history, bands, at, zone]);
  useEffect(() => {
    // The pad takes the lower half of a phone, and the field it fills must not lie beneath it.
    if (active === null || wide) return;
    document.getElementById(`digits-${active}`)?.scrollIntoView({ block: 'center' });
  }, [active, wide]);
  if (!history) return null;

  const actions: RowActions = {
    type: (kitId, typed: Typed | null) => {
      const values = { ...draft.values };
      if (typed) values[kitId] = typed;
      else delete values[kitId];
      setDraft({ ...draft, values });
      if (typed?.form === 'card') setActive(null);
    },
    keep: (kitId) => {
      const typed = draft.values[kitId];
      if (typed?.form === 'digital') {
        setDraft({ ...draft, kept: { ...draft.kept, [kitId]: typed.text } });
      }
    },
    openMore: setMore,
  };
  const ready = rows.filter((row) => row.value);
  const open = rows.filter((row) => row.error !== undefined || row.doubt !== undefined);
  const digital = rows.filter((row) => row.kit.body.scale.form === 'digital');
  const activeRow = digital.find((row) => row.kit.id === active);
  const nextOf = () => {
    const place = digital.findIndex((row) => row.kit.id === active);
    return digital[place + 1]?.kit.id ?? null;
  };

  const save = async () => {
    setActive(null);
    if (pending.current || ready.length === 0 || open.length > 0) return;
    pending.current = true;
    setSaving(true);
    const result = await dispatch(
      recordAct(
        (act) => {
          const when = isoInZone(draft.at === null ? act.now : at, zone);
          const entries = ready.flatMap((row) => entryOf(draft, row, tankId, when) ?? []);
          for (const entry of entries) act.create('entry', entry);
          timers.finish(act, entries, when);
        },
        {
          words: `Saved ${countOf(ready.length, 'reading')}`,
          actId: draft.actId ?? undefined,
          empties: [name],
        },
      ),
    );
    pending.current = false;
    setSaving(false);
    const [issue] = result.issues;
    if (issue) {
      dispatch(
        noticed({ text: `Not saved: ${issue.path.join('.')} ${issue.message}`, undo: null }),
      );
      return;
    }
    leave();
  };

  const label =
    open.length > 0 && active === null
      ? `Answer ${countOf(open.length, 'question')} first`
      : ready.length === 0
        ? 'Nothing entered yet'
        : `Save ${countOf(ready.length, 'reading')}`;
  const others = kits.filter((kit) => !shown.includes(kit));
  const moreRow = rows.find((row) => row.kit.id === more);
  const footer =
    activeRow && !wide ? (
      <NumberPad
        label={PARAMETERS[activeRow.kit.body.parameter].name}
        nextLabel={nextOf() ? 'Next' : 'Done'}
        onNext={() => setActive(nextOf())}
        onKey={(key) => {
          const text = activeRow.typed?.form === 'digital' ? activeRow.typed.text : '';
          const next = withKey(text, key);
          actions.type(activeRow.kit.id, next === '' ? null : { form: 'digital', text: next });
        }}
      />
    ) : (
      <Footer>
        <Button
          label="Add a test"
          onPress={() => setAdding(true)}
          style={{ flexShrink: 0, paddingHorizontal: 18 }}
        />
        <Button
          kind="primary"
          label={label}
          disabled={saving || ready.length === 0 || open.length > 0}
          onPress={() => void save()}
          style={{ flex: 1, paddingHorizontal: 12 }}
        />
      </Footer>
    );

  return (
    <Screen
      footer={footer}
      aside={wide ? <EvidenceAside meanings={meanings} /> : undefined}
      head={<LogHead title="Test water" tankName={history.tank.name} />}
      under={
        <LogUnder
          when={
            <When
              at={draft.at}
              now={clock}
              zone={zone}
              onChange={(next) => setDraft({ ...draft, at: next })}
            />
          }
        />
      }
    >
      {runsOf(rows, (row) => row.kit.body.scale.form === 'digital').map((run) => {
        const first = run[0];
        if (!first) return null;
        return first.kit.body.scale.form === 'card' ? (
          <CardRow
            key={first.kit.id}
            row={first}
            history={history}
            now={clock}
            timers={timers}
            dilution={draft.dilution[first.kit.id] ?? 1}
            actions={actions}
          />
        ) : (
          <DigitalBoxes
            key={first.kit.id}
            rows={run}
            history={history}
            now={clock}
            active={active}
            ownPad={!wide}
            onFocus={setActive}
            onSubmit={() => setActive(null)}
            actions={actions}
          />
        );
      })}
      {rows.length === 0 ? (
        <Words as="lead">
          No test has a row yet. Add one, or set up your kits under Instruments.
        </Words>
      ) : null}
      {wide ? null : <MeaningPanel meanings={meanings} />}
      {history && history.entries.reading.length === 0 ? (
        <LinkButton
          soft
          label="Not your tests? Say which you own"
          onPress={() => router.push(to.ownTests)}
        />
      ) : null}
      <LinkButton soft label="Several days from paper" onPress={() => router.push(to.paper)} />
      <Sheet title="Add a test" open={adding} onClose={() => setAdding(false)}>
        <View>
          {others.map((kit) => (
            <Row
              key={kit.id}
              title={kit.body.name}
              note={`${PARAMETERS[kit.body.parameter].name}, ${kitWords(kit.body)}`}
              onPress={() => {
                setDraft({ ...draft, added: [...draft.added, kit.id] });
                setAdding(false);
              }}
            />
          ))}
        </View>
        {others.length === 0 ? (
          <Words as="body">
            Every kit you own has its row. New ones are added under Instruments.
          </Words>
        ) : null}
      </Sheet>
      {moreRow ? (
        <Sheet
          title={PARAMETERS[moreRow.kit.body.parameter].name}
          open
          onClose={() => setMore(null)}
        >
          <Choice
            label="Was the sample diluted?"
            value={String(draft.dilution[moreRow.kit.id] ?? 1)}
            onChange={(value) =>
              setDraft({
                ...draft,
                dilution: { ...draft.dilution, [moreRow.kit.id]: Number(value) },
              })
            }
            options={DILUTIONS.map((d) => ({
              value: String(d),
              label: d === 1 ? 'Not diluted' : `1 part in ${formatPlain(d)}`,
            }))}
          />
          <Words as="soft">
            One part of tank water in two means one part of it and one of fresh water; the reading
            then counts double. A diluted zero is not a zero.
          </Words>
          <Button kind="primary" label="Done" onPress={() => setMore(null)} />
        </Sheet>
      ) : null}
    </Screen>
  );
}

function EvidenceAside({ meanings }: { meanings: ReturnType<typeof testSessionMeaning> }) {
  return (
    <>
      <Words as="section">What it means</Words>
      {meanings.length === 0 ? (
        <Words as="soft">The meaning appears here as values are entered.</Words>
      ) : null}
      <MeaningPanel meanings={meanings} />
    </>
  );
}
