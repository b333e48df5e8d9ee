import { useDeferredValue, useMemo, useState } from 'react';
import type { Act } from '@/core/records/acts';
import { fullDayWords, timeWords } from '@/core/time/words';
import { dayOf } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectLog, selectTanks, selectZone } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';
import { ChangeRow } from './ChangeRow';
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

type Line = { day: string; key: string; act: null } | { act: Act; key: string };

/** The acts under their days. */
function linesOf(acts: readonly Act[], zone: string): Line[] {
  let last = '';
  return acts.flatMap((act): Line[] => {
    const day = dayOf(act.recordedAt, zone);
    const line: Line = { act, key: act.actId };
    if (day === last) return [line];
    last = day;
    return [{ day: fullDayWords(act.recordedAt, zone), key: day, act: null }, line];
  });
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
  const wanted = useDeferredValue(text).trim().toLowerCase();
  const acts = useMemo(() => keepersActs(log), [log]);
  const found = acts.filter(
    (act) =>
      ABOUT[about].holds(act) &&
      (tankId === EVERY || tanksOf(act).includes(tankId)) &&
      (wanted === '' || words(act).toLowerCase().includes(wanted)),
  );
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
      {first && found.length === 0 ? <Words as="soft">No change is like that.</Words> : null}
      <LongList
        items={linesOf(found, zone)}
        keyOf={({ key }) => key}
        rowHeight={66}
        render={(line) =>
          line.act === null ? (
            <SectionHead title={line.day} />
          ) : (
            <ChangeRow
              act={line.act}
              words={words(line.act)}
              note={[timeWords(line.act.recordedAt, zone), nameOf(line.act)]
                .filter((part) => part !== '')
                .join(' · ')}
            />
          )
        }
      />
    </Screen>
  );
}
