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
import { chooseLogFile, download } from '@/frame/browserFiles';
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
  const { which } = useAppSelector(selectSession);
  const run = useAppSelector(selectRun);
  return which === 'practice' && run ? (
    <UnderWay remember={remember} first={first} />
  ) : (
    <Begin remember={remember} first={first} />
  );
}

/** Opens runs, and tells what keeps one from being opened. */
function useOpening(remember: PracticeProps['remember']) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const opened = async (open: () => Promise<boolean>) => {
    if (working) return;
    setWorking(true);
    remember('practice');
    const saved = await open();
    setWorking(false);
    if (saved) router.replace(to.today);
    else setRefusal('The browser did not store the new tank. Make room, and begin once more.');
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
      setRefusal(null);
      const file = await chooseLogFile();
      if (!file) return;
      if (!file.bytes)
        return setRefusal('The browser could not read that file. Choose it once more.');
      const reading = readRun(new TextDecoder().decode(file.bytes));
      if (!reading.ok) return setRefusal(`${file.name}: ${reading.why}`);
      await opened(() => dispatch(openPractice(reading.run)));
    },
  };
}

interface PartProps {
  remember: PracticeProps['remember'];
  first: SituationId | undefined;
}

function Begin({ remember, first }: PartProps) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const store = useAppStore();
  const opening = useOpening(remember);
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
      <LinkButton label="Go on with the last practice" onPress={() => void goOn()} />
      <Choices opening={opening} first={first} />
    </Screen>
  );
}

function Choices({
  opening,
  first = null,
}: {
  opening: ReturnType<typeof useOpening>;
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
      {opening.refusal ? (
        <Remark tone="watch" title="That practice was not opened">
          <Words as="body">{opening.refusal}</Words>
        </Remark>
      ) : null}
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
          <Button
            kind="primary"
            label="Begin"
            disabled={opening.working}
            onPress={() => void opening.begin(chosen)}
          />
        </Sheet>
      ) : null}
    </>
  );
}

function UnderWay({ remember, first }: PartProps) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const run = useAppSelector(selectRun);
  const day = usePracticeDay();
  const opening = useOpening(remember);
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
