import { useRouter } from 'expo-router';
import { View } from 'react-native';
import Check from 'lucide-react-native/icons/check';
import { DEMO_STORIES } from '@/core/demo/stories';
import { lapseOf, silenceWords } from '@/core/maintenance/away/lapse';
import type { TankHistory } from '@/core/history/tankHistory';
import { dayWords } from '@/core/time/words';
import { dayOf, dayStart } from '@/core/time/zone';
import { addressOf } from '@/frame/addressOf';
import { to } from '@/frame/addresses';
import type { GuideId } from '@/frame/guideQuestions';
import { ReadMore } from '@/frame/ReadMore';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow, selectSession } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useAbsence } from './AwayScreen';

/** What of daily life stands on top of Today: what a tank of the demo shows, days away, the way back from a silence. */
export function TodayTop() {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const { which } = useAppSelector(selectSession);
  if (!history) return null;
  // What one asks who stands at the very beginning.
  const page = firstQuestion(history);
  const story = which === 'demo' ? DEMO_STORIES.get(history.tank.name) : undefined;
  return (
    <>
      {story === undefined ? null : <Words as="aside">{story}</Words>}
      {page ? <ReadMore page={page} /> : null}
      <AwayNote now={now} zone={history.tank.zone} />
      <WayBack />
    </>
  );
}

function AwayNote({ now, zone }: { now: number; zone: string }) {
  const router = useRouter();
  const absence = useAbsence();
  if (!absence) return null;
  const { from, until, minder } = absence.body;
  const day = (of: string) => dayWords(dayStart(of, zone), zone, now);
  const gone = from <= dayOf(now, zone);
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <Remark title={gone ? `Away until ${day(until)}` : `Away from ${day(from)} to ${day(until)}`}>
        {minder ? `${minder} comes by.` : 'Nobody comes by.'}
      </Remark>
      <LinkButton
        soft
        label="What is done before, and the sheet"
        onPress={() => router.push(to.away)}
      />
    </View>
  );
}

/** Three things in order, and why these. */
function WayBack() {
  const router = useRouter();
  const measured = useMeasures();
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const lapse = history ? lapseOf(history, now) : null;
  if (!lapse) return null;
  const left = lapse.steps.filter(({ done }) => !done).length;
  return (
    <View>
      <SectionHead
        title={`Back after ${silenceWords(lapse.days)}`}
        end={left === lapse.steps.length ? 'the shortest way' : `${left} left`}
      />
      <Words as="soft">
        {`${lapse.steps.length === 3 ? 'Three' : 'Two'} things, in this order. Everything else can wait until they are done.`}
      </Words>
      {lapse.steps.map((step, place) => (
        <Row
          key={step.id}
          title={`${place + 1}. ${measured(step.title)}`}
          note={step.because}
          accessibleName={`${place + 1}. ${measured(step.title)}, ${step.done ? 'done' : 'open'}. ${step.because}`}
          end={
            step.done ? (
              <Check size={18} color={color.ink} />
            ) : (
              <Words as="aside">{`${step.minutes} min`}</Words>
            )
          }
          onPress={() => router.push(addressOf(step.opens))}
        />
      ))}
    </View>
  );
}

/** The page of the Guide for a tank in which nothing has happened yet; null once something has. */
function firstQuestion({ tank, start, standing, entries }: TankHistory): GuideId | null {
  // A page on dosing ammonia is not for a tank with an animal in, nor for a bare one.
  if (standing.animalsSince !== null || tank.kind === 'quarantine') return null;
  if (start === null) return 'first';
  const begun = [entries.reading, entries.dose, entries.organics].some((of) => of.length > 0);
  return begun || standing.runningSince !== null ? null : 'which-ammonia';
}
