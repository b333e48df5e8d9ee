import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import {
  daysAway,
  feedingWords,
  LEAVE_ALONE,
  type AwayHow,
  type AwayLine,
  type AwayPlan,
} from '@/core/maintenance/away/awayPlan';
import type { Absence } from '@/core/records/schema/absence';
import type { RevisionOf } from '@/core/records/schema/revision';
import { dayWords, shortDay } from '@/core/time/words';
import { addDaysIn, dayOf, dayStart } from '@/core/time/zone';
import { aboutSpan } from '@/core/units/duration';
import { countOf, formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectNow, selectZone } from '@/store/selectors';
import { Button, ButtonRow } from '@/ui/Press';
import { partOf, piece } from '@/ui/piece';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useAwayPlans } from './useAwayPlans';
import { useHistories } from './useMaintenance';

const AwayForm = partOf(
  piece(() => import('@/features/formScreens')),
  'AwayForm',
);

/** The journey that goes on or comes next; null without one. */
export function useAbsence(): RevisionOf<'absence'> | null {
  const zone = useAppSelector(selectZone);
  const today = dayOf(useAppSelector(selectNow), zone);
  const absences = useAppSelector((state) => state.log.absences);
  return (
    absences
      .filter(({ body }) => body.until >= today)
      .sort((a, b) => (a.body.from < b.body.from ? -1 : 1))[0] ?? null
  );
}

const HEADS: Record<AwayHow, string> = {
  before: 'Before you leave',
  minder: 'By who comes by',
  after: 'Waits until you are back',
  anyway: 'Due before then anyway',
};
const ORDER: readonly AwayHow[] = ['before', 'minder', 'after', 'anyway'];

/** Days away: what is done before, what the person who comes by does, and what waits. */
export function AwayScreen() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useAppSelector(selectNow);
  const absence = useAbsence();
  const histories = useHistories();
  const plans = useAwayPlans(absence?.body ?? null);
  const [editing, setEditing] = useState(false);
  const today = dayOf(now, zone);
  const tanks = histories
    .filter(({ start }) => start !== null)
    .map(({ tankId, tank }) => ({ id: tankId, name: tank.name }));
  const start: Absence = {
    from: dayOf(addDaysIn(now, 7, zone), zone),
    until: dayOf(addDaysIn(now, 14, zone), zone),
    minder: '',
    call: '',
    tanks: Object.fromEntries(
      histories.map((history) => [
        history.tankId,
        { food: feedingWords(history, now), leave: LEAVE_ALONE },
      ]),
    ),
  };
  if (!absence || editing) {
    return (
      <Screen key="form" head={<BackHead title="Away" />}>
        <Opening title="When are you away?">
          What falls due meanwhile is brought forward, given to whoever comes by, or left; one page
          tells them the rest.
        </Opening>
        <Suspense fallback={null}>
          <AwayForm
            key={absence?.id ?? 'new'}
            start={start}
            editing={absence}
            tanks={tanks}
            today={today}
            onDone={() => setEditing(false)}
          />
        </Suspense>
      </Screen>
    );
  }
  const { body } = absence;
  const day = (of: string) => dayWords(dayStart(of, zone), zone, now);
  const gone = body.from <= today;
  return (
    <Screen key="plan" head={<BackHead title="Away" />}>
      <Opening
        title={
          gone
            ? `Away until ${day(body.until)}.`
            : `${countOf(daysAway(body), 'day')} away, from ${day(body.from)}.`
        }
      >
        {`${beforeWords(plans)} ${
          body.minder
            ? `${body.minder} comes by.`
            : 'Nobody comes by: feed a little more often before, not more at once.'
        }`}
      </Opening>
      <ButtonRow>
        <Button kind="primary" label="The sheet" onPress={() => router.push(to.sheet)} />
        <Button label="Change it" onPress={() => setEditing(true)} />
        <Button
          label="Not going"
          onPress={() =>
            void dispatch(recordAct((act) => act.remove(absence), 'Days away removed'))
          }
        />
      </ButtonRow>
      {plans.map((plan) => (
        <TankPlan key={plan.tankId} plan={plan} zone={zone} away={daysAway(body)} />
      ))}
    </Screen>
  );
}

/** What is brought forward for the journey, and how much is due before it in any case. */
function beforeWords(plans: readonly AwayPlan[]): string {
  const of = (how: AwayHow) => {
    const lines = plans.flatMap((plan) => plan.lines.filter((line) => line.how === how));
    const minutes = lines.reduce((sum, line) => sum + line.minutes, 0);
    return { count: lines.length, span: aboutSpan(minutes) };
  };
  const forward = of('before');
  const anyway = of('anyway');
  const first =
    forward.count === 0
      ? 'Nothing has to be brought forward.'
      : `${countOf(forward.count, 'thing')} brought forward, about ${forward.span}.`;
  if (anyway.count === 0) return first;
  return `${first} ${anyway.count} due before then anyway, about ${anyway.span}.`;
}

function TankPlan({ plan, zone, away }: { plan: AwayPlan; zone: string; away: number }) {
  const measured = useMeasures();
  return (
    <View style={{ gap: 10 }}>
      <SectionHead title={plan.name} />
      {plan.cannot.map((text) => (
        <Remark key={text} tone="caution" title="Not for a sheet">
          {text}
        </Remark>
      ))}
      {plan.topOffLitres === null ? null : (
        <Remark>
          {measured(
            `${countOf(away, 'day')} take about ${formatPlain(plan.topOffLitres, 0)} L of fresh water. Fill the reservoir, and see that it cannot all run in at once.`,
          )}
        </Remark>
      )}
      {ORDER.map((how) => {
        const lines = plan.lines.filter((line) => line.how === how);
        if (lines.length === 0) return null;
        return (
          <View key={how}>
            <SectionHead title={HEADS[how]} />
            {lines.map((line) => (
              <Row key={`${line.id}/${line.how}`} title={line.title} end={daysWords(line, zone)} />
            ))}
          </View>
        );
      })}
    </View>
  );
}

/** "each day", "2 times, first 14 May", "due 16 May". */
function daysWords({ days, how }: AwayLine, zone: string): string {
  const [first] = days;
  if (!first) return '';
  const on = shortDay(dayStart(first, zone), zone);
  if (how === 'after') return `due ${on}`;
  if (how === 'before' || how === 'anyway') return `by ${on}`;
  return days.length > 3
    ? 'each day'
    : days.map((day) => shortDay(dayStart(day, zone), zone)).join(', ');
}
