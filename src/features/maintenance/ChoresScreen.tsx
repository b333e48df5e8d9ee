import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { choresOf, choreTimes, type Chore } from '@/core/maintenance/chores';
import { loadOf, upkeepOf } from '@/core/maintenance/load';
import { ruleWords } from '@/core/maintenance/rule';
import { dueWords } from '@/core/tasks/due';
import { capitalise, countOf, formatPlain } from '@/core/units/format';
import { aboutSpan, spanOfMinutes } from '@/core/units/duration';
import { dayOf, daysUntilDay, dayStart } from '@/core/time/zone';
import { shortDay } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { TankHead } from '@/frame/TankHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow, selectSession } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { BarsChart } from '@/ui/Drawing';
import { Button, LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { CalendarPart } from './CalendarPart';
import { useHistories, useMaintenance } from './useMaintenance';

const WEEKS = 6;

/** What the coming weeks ask of the keeper, and every chore with its rule. */
export function ChoresScreen() {
  const router = useRouter();
  const { which } = useAppSelector(selectSession);
  const measured = useMeasures();
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const histories = useHistories();
  const maintenance = useMaintenance();
  const [folded, setFolded] = useState(true);
  // By the day: what falls due does not change by the minute.
  const day = history ? dayOf(now, history.tank.zone) : '';
  const weeks = useMemo(
    () => loadOf(histories, maintenance, now, WEEKS),
    // oxlint-disable-next-line react/exhaustive-deps -- the day stands for now
    [histories, maintenance, day],
  );
  if (!history) return null;
  const { zone } = history.tank;
  const chores = choresOf(history, maintenance.chores);
  const inDays = (chore: Chore) => {
    const { open } = choreTimes(chore, history, now, dayOf(now, zone));
    return daysUntilDay(now, dayStart(open, zone), zone);
  };
  const asked = chores
    .filter(({ off }) => !off)
    .map((chore) => ({ chore, inDays: inDays(chore) }))
    .sort((a, b) => Math.max(0, a.inDays) - Math.max(0, b.inDays));
  const off = chores.filter((chore) => chore.off);
  const today = asked.filter((one) => one.inDays <= 0);
  const minutes = today.reduce((all, one) => all + one.chore.minutes, 0);
  const upkeep = histories.map((one) => upkeepOf(one, maintenance));
  const sum = (of: 'minutes' | 'litres') => upkeep.reduce((all, one) => all + one[of], 0);
  const litres = (much: number) => measured(`${formatPlain(much, 0)} L`);
  const bars = weeks.map((week) => ({
    label: shortDay(dayStart(week.monday, zone), zone),
    value: week.minutes,
    part: week.byTank[history.tankId] ?? 0,
    below: litres(week.litres),
  }));
  const where = histories.length > 1 ? ` at ${histories.length} tanks` : '';
  return (
    <Screen
      head={<TankHead place="Chores" />}
      aside={
        <>
          <View>
            <SectionHead title="Away" />
            <Row
              title="Days away"
              note="What is done before, what can wait, and a sheet for whoever comes by"
              onPress={() => router.push(to.away)}
            />
          </View>
          {LOGS[which].leaves ? <CalendarPart /> : null}
        </>
      }
    >
      <Opening
        title={
          today.length === 0
            ? 'No chore today.'
            : `${countOf(today.length, 'chore')} today, about ${spanOfMinutes(minutes)}.`
        }
      >
        {sum('minutes') === 0
          ? `${history.tank.name} asks for no chores yet: they begin once it holds water.`
          : `A usual week takes about ${aboutSpan(sum('minutes'))} and ${litres(sum('litres'))} of new salt water${where}, tests apart.`}
      </Opening>
      {sum('minutes') === 0 ? null : (
        <View>
          <SectionHead title="The coming weeks" end="minutes, and new water" />
          <BarsChart
            bars={bars}
            summary={`${bars
              .map((bar) => `week of ${bar.label}: ${spanOfMinutes(bar.value)}, ${bar.below}`)
              .join('; ')}. Dark is ${history.tank.name}.`}
          />
          {histories.length > 1 ? (
            <Words as="soft">{`Dark: ${history.tank.name}. The first week holds what is overdue.`}</Words>
          ) : null}
        </View>
      )}
      <View>
        <SectionHead title="Chores" end={history.tank.name} />
        {asked.map(({ chore, inDays }) => (
          <ChoreRow key={chore.id} chore={chore} when={dueWords(inDays)} />
        ))}
        {off.length > 0 && folded ? (
          <LinkButton soft label={`${off.length} not asked for`} onPress={() => setFolded(false)} />
        ) : null}
        {folded
          ? null
          : off.map((chore) => <ChoreRow key={chore.id} chore={chore} when="not asked for" />)}
      </View>
      <Button label="Add a chore" onPress={() => router.push(to.chore('new'))} />
    </Screen>
  );
}

function ChoreRow({ chore, when }: { chore: Chore; when: string }) {
  const router = useRouter();
  const measured = useMeasures();
  const water = chore.litres === null ? '' : `, ${measured(`${formatPlain(chore.litres, 0)} L`)}`;
  return (
    <Row
      title={chore.name}
      note={`${capitalise(ruleWords(chore.rule))}${water}`}
      accessibleName={`${chore.name}, ${ruleWords(chore.rule)}${water}, ${when}`}
      end={
        <>
          <Words as="soft">{when}</Words>
          <Words as="aside">{`${chore.minutes} min`}</Words>
        </>
      }
      onPress={() => router.push(to.chore(chore.id))}
    />
  );
}
