import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { readRun, writeRun } from '@/core/practice/run/runFile';
import {
  FREE,
  SITUATION_IDS,
  situationOf,
  type SituationId,
} from '@/core/practice/situations/situations';
import { dayOf } from '@/core/time/zone';
import { to } from '@/frame/addresses';
import { chooseSavedFile, download } from '@/frame/browserFiles';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { beginPractice, openPractice, openRun, selectRun } from '@/store/practice';
import { openLog } from '@/store/open';
import { selectSession } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { stopwatch, wallClock } from '@/store/wallClock';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { NotTold } from './NotTold';
import { usePracticeDay } from './useClock';

/** Hands over which log this tab is to open after a reload. */
export interface PracticeProps {
  remember: (name: 'own' | 'practice') => void;
  /** A situation to be shown at once, by its id; what is none shows them all. */
  begin?: string;
}

const HIDING: readonly SituationId[] = SITUATION_IDS.filter((id) => !FREE.includes(id));

/** A tank that may be ruined: where one is begun, gone on with and looked back on. */
export function PracticeScreen({ remember, begin }: PracticeProps) {
  const first = SITUATION_IDS.find((id) => id === begin);
  const { which, status } = useAppSelector(selectSession);
  const run = useAppSelector(selectRun);
  // Here and not in either part: it outlives the change from one to the other, and says what went wrong.
  const opening = useOpening(remember);
  // Half-way the log has neither what was there nor what will be.
  if (status === 'opening' || opening.working) return <Screen>{null}</Screen>;
  return which === 'practice' && run ? (
    <UnderWay remember={remember} opening={opening} first={first} />
  ) : (
    <Begin remember={remember} opening={opening} first={first} />
  );
}

interface Refusal {
  title: string;
  why: string;
}
const NOT_OPENED = 'That practice was not opened';
const NOT_STORED: Refusal = {
  title: 'The new tank is not stored',
  why: 'The browser refused it, and a reload would lose it. Make room, and begin once more.',
};

/** Opens runs, and tells what keeps one from being opened. */
function useOpening(remember: PracticeProps['remember']) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [working, setWorking] = useState(false);
  const opened = async (open: () => Promise<boolean>) => {
    if (working) return;
    setWorking(true);
    setRefusal(null);
    remember('practice');
    const saved = await open();
    setWorking(false);
    if (saved) router.replace(to.today);
    else setRefusal(NOT_STORED);
  };
  return {
    refusal,
    working,
    begin: (situation: SituationId) => {
      const seed = crypto.getRandomValues(new Uint32Array(1))[0] ?? 0;
      const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
      return opened(() => dispatch(beginPractice(situation, seed, stopwatch(), zone)));
    },
    file: async () => {
      const file = await chooseSavedFile();
      if (!file) return;
      if (!file.bytes) {
        const why = 'The browser could not read that file. Choose it once more.';
        return setRefusal({ title: NOT_OPENED, why });
      }
      const reading = readRun(new TextDecoder().decode(file.bytes));
      if (!reading.ok) {
        return setRefusal({ title: NOT_OPENED, why: `${file.name}: ${reading.why}` });
      }
      await opened(() => dispatch(openPractice(reading.run)));
    },
  };
}

interface PartProps {
  remember: PracticeProps['remember'];
  opening: ReturnType<typeof useOpening>;
  first: SituationId | undefined;
}

function Begin({ remember, opening, first }: PartProps) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const store = useAppStore();
  const goOn = async () => {
    await dispatch(openLog('practice'));
    if (selectRun(store.getState())) {
      remember('practice');
      return router.replace(to.today);
    }
    // Nothing was begun in this browser, or it was forgotten: one's own log stays the one that is open.
    await dispatch(openLog('own'));
    dispatch(noticed({ text: 'There is no practice in this browser yet: begin one', undo: null }));
  };
  return (
    <Screen>
      <Opening title="A tank that may be ruined.">
        It is made up, nobody suffers by it, and its clock goes as fast as you like. It hides what a
        real one hides; afterwards you see what was really going on.
      </Opening>
      <Refused refusal={opening.refusal} />
      <LinkButton label="Go on with the last practice" onPress={() => void goOn()} />
      <Choices opening={opening} first={first} />
    </Screen>
  );
}

/** Why the practice that was asked for is not there, or will not be after a reload. */
function Refused({ refusal }: { refusal: Refusal | null }) {
  return refusal ? (
    <Remark tone="watch" title={refusal.title}>
      <Words as="body">{refusal.why}</Words>
    </Remark>
  ) : null;
}

function Choices({
  opening,
  first = null,
}: {
  opening: PartProps['opening'];
  first?: SituationId | null;
}) {
  const [chosen, setChosen] = useState<SituationId | null>(first);
  const situation = chosen ? situationOf(chosen) : null;
  const rows = (ids: readonly SituationId[]) =>
    ids.map((id) => (
      <Row
        key={id}
        title={situationOf(id).name}
        note={
          situationOf(id).takenOver > 0
            ? `Taken over on day ${situationOf(id).takenOver}`
            : undefined
        }
        onPress={() => setChosen(id)}
      />
    ));
  return (
    <>
      <SectionHead title="From the first hour" />
      {rows(FREE)}
      <SectionHead title="Something is hidden, or nothing is" />
      {rows(HIDING)}
      <LinkButton label="Open a practice kept as a file" onPress={() => void opening.file()} />
      <NotTold />
      {situation && chosen ? (
        <Sheet title={situation.name} open onClose={() => setChosen(null)}>
          <Words as="lead">{situation.tells}</Words>
          <Words as="soft">
            A practice that is under way is replaced by it: keep that one as a file first if you
            want it again. Your own log is not touched.
          </Words>
          <Button kind="primary" label="Begin" onPress={() => void opening.begin(chosen)} />
        </Sheet>
      ) : null}
    </>
  );
}

function UnderWay({ remember, opening, first }: PartProps) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const run = useAppSelector(selectRun);
  const day = usePracticeDay();
  const [another, setAnother] = useState(first !== undefined);
  if (!run) return null;
  const situation = situationOf(run.situation);
  const keep = () => {
    const open = dispatch(openRun());
    if (open) {
      download(`zoarium-practice-day-${day}-${dayOf(wallClock(), run.zone)}.json`, writeRun(open));
    }
  };
  const leave = () => {
    remember('own');
    void dispatch(openLog('own')).then(() => router.replace(to.today));
  };
  return (
    <Screen>
      <Opening title={`Day ${day} of a made-up tank.`}>{situation.tells}</Opening>
      <Refused refusal={opening.refusal} />
      <Words as="body">
        Test, dose and wait as you would at a real one: every screen works on it. The clock stands
        until you move it on, in the band above.
      </Words>
      <Button kind="primary" label="Go to today" onPress={() => router.push(to.today)} />
      <Button label="See what was really going on" onPress={() => router.push(to.practiceAfter)} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l }}>
        <LinkButton label="Keep it as a file" onPress={keep} />
        <LinkButton label="Begin another" onPress={() => setAnother(!another)} />
        <LinkButton label="Leave practice" onPress={leave} />
      </View>
      {another ? <Choices opening={opening} first={first} /> : null}
    </Screen>
  );
}
