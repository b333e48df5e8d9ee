import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Act } from '@/core/records/acts';
import { fullDayWords, timeWords } from '@/core/time/words';
import { dayOf, instant } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectLog, selectTanks, selectZone } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';
import type { Brought } from '@/storage/brought';
import { listBrought } from '@/store/brought';
import { BroughtRow, ChangeRow } from './ChangeRow';
import { keepersActs } from './keepersActs';
import { useActWords } from './useActWords';

/** What an act was about, by which a list of years is narrowed. */
const ABOUT = {
  all: { label: 'All', holds: () => true },
  tests: {
    label: 'Tests',
    holds: ({ revisions }: Act) =>
      revisions.some((one) => one.type === 'entry' && one.body.kind === 'reading'),
  },
  entries: {
    label: 'Other entries',
    holds: ({ revisions }: Act) =>
      revisions.some((one) => one.type === 'entry' && one.body.kind !== 'reading'),
  },
  setup: {
    label: 'Set-up and plans',
    holds: ({ revisions }: Act) => revisions.every(({ type }) => type !== 'entry'),
  },
} as const;
type About = keyof typeof ABOUT;
const ABOUTS = (Object.keys(ABOUT) as About[]).map((value) => ({
  value,
  label: ABOUT[value].label,
}));

const EVERY = 'every';

/** The ids of the tanks that an act was about. */
const tanksOf = ({ revisions }: Act): string[] =>
  revisions.flatMap((one) =>
    one.type === 'tank' ? [one.id] : 'tankId' in one.body ? [String(one.body.tankId)] : [],
  );

/** What stands in the list: an act, or what a file brought. */
type Change = { at: number; key: string; act: Act } | { at: number; key: string; brought: Brought };
type Line = { day: string; key: string } | Change;

/** The changes under their days, the newest first. */
function linesOf(changes: readonly Change[], zone: string): Line[] {
  let last = '';
  return changes.flatMap((change): Line[] => {
    const day = dayOf(change.at, zone);
    if (day === last) return [change];
    last = day;
    return [{ day: fullDayWords(change.at, zone), key: day }, change];
  });
}

/** Where records came from, and what they amounted to: "Took over from Phone: 3 tests, 1 new fish". */
function broughtLine({ kind, name, words }: Brought): string {
  const from = kind === 'carry' ? `Took over from ${name}` : `Brought in ${name}`;
  return words.length === 0 ? from : `${from}: ${words.join(', ')}`;
}

/** Everything that was ever changed, by day, found by its words, each with its undo. */
export function ChangesScreen() {
  const log = useAppSelector(selectLog);
  const tanks = useAppSelector(selectTanks);
  const zone = useAppSelector(selectZone);
  const words = useActWords();
  const [text, setText] = useTyped('changes/sought');
  const [about, setAbout] = useState<About>('all');
  const [tankId, setTankId] = useState<string>(EVERY);
  const brought = useBrought();
  const wanted = useDeferredValue(text).trim().toLowerCase();
  /** Sheets are acts of their own, which bear the name of their file. */
  const sheets = new Map(
    brought.flatMap(({ id, kind, name }) => (kind === 'sheet' ? [[id, name] as const] : [])),
  );
  const acts = useMemo(() => keepersActs(log), [log]);
  const found = acts.filter(
    (act) =>
      ABOUT[about].holds(act) &&
      (tankId === EVERY || tanksOf(act).includes(tankId)) &&
      (wanted === '' ||
        `${words(act)} ${sheets.get(act.actId) ?? ''}`.toLowerCase().includes(wanted)),
  );
  const files = brought.filter(
    (one) =>
      one.kind !== 'sheet' &&
      about === 'all' &&
      tankId === EVERY &&
      (wanted === '' || broughtLine(one).toLowerCase().includes(wanted)),
  );
  const changes = [
    ...found.map((act) => ({ at: act.recordedAt, key: act.actId, act })),
    ...files.map((one) => ({ at: instant(one.at), key: one.id, brought: one })),
  ].sort((a, b) => b.at - a.at);
  const nameOf = (act: Act): string => {
    const of = new Set(tanksOf(act));
    return tanks.flatMap(({ id, body }) => (of.has(id) ? body.name : [])).join(', ');
  };
  const first = acts.at(-1);
  return (
    <Screen head={<BackHead title="Changes" />}>
      <Opening title={first ? `${countOf(acts.length, 'change')}.` : 'Nothing was changed yet.'}>
        {first
          ? `Back to ${fullDayWords(first.recordedAt, zone)}, the newest first. Each can be undone, and an undo as well.`
          : 'What you enter, correct and take away stands here, each with its undo.'}
      </Opening>
      <Field
        label="Find a change"
        value={text}
        onChange={setText}
        placeholder="nitrite, daily check, corrected …"
      />
      <Choice label="About" bare options={ABOUTS} value={about} onChange={setAbout} />
      {tanks.length > 1 ? (
        <Choice
          label="Of which tank"
          bare
          options={[
            { value: EVERY, label: 'Every tank' },
            ...tanks.map(({ id, body }) => ({ value: id, label: body.name })),
          ]}
          value={tankId}
          onChange={setTankId}
        />
      ) : null}
      {first && changes.length === 0 ? <Words as="soft">No change is like that.</Words> : null}
      <LongList
        items={linesOf(changes, zone)}
        keyOf={({ key }) => key}
        rowHeight={66}
        render={(line) =>
          'day' in line ? (
            <SectionHead title={line.day} />
          ) : 'brought' in line ? (
            <BroughtRow
              id={line.brought.id}
              words={broughtLine(line.brought)}
              note={timeWords(line.at, zone)}
            />
          ) : (
            <ChangeRow
              act={line.act}
              words={words(line.act)}
              note={[
                timeWords(line.act.recordedAt, zone),
                nameOf(line.act),
                sheets.get(line.act.actId) ?? '',
              ]
                .filter((part) => part !== '')
                .join(' · ')}
            />
          )
        }
      />
    </Screen>
  );
}

/** What files brought into the log; it is looked at again whenever something came in. */
function useBrought(): readonly Brought[] {
  const dispatch = useAppDispatch();
  const size = useAppSelector((state) => state.log.size);
  const [brought, setBrought] = useState<readonly Brought[]>([]);
  useEffect(() => {
    let current = true;
    void dispatch(listBrought()).then((found) => current && setBrought(found));
    return () => {
      current = false;
    };
  }, [dispatch, size]);
  return brought;
}
