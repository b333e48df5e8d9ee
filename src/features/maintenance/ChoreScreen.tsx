import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { choreKey, choresOf, choreTimes, happenedOf, type Chore } from '@/core/maintenance/chores';
import { ruleWords } from '@/core/maintenance/rule';
import { dueWords } from '@/core/tasks/due';
import { dayWords } from '@/core/time/words';
import { dayOf, daysUntilDay, dayStart } from '@/core/time/zone';
import { capitalise } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { addressOf } from '@/frame/addressOf';
import { BackHead } from '@/frame/BackHead';
import { CautionRemark } from '@/frame/CautionRemark';
import { useLeave } from '@/frame/useLeave';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { recordAct } from '@/store/record';
import { selectNow } from '@/store/selectors';
import { markTask } from '@/store/tasks';
import { Button, ButtonRow } from '@/ui/Press';
import { partOf, piece } from '@/ui/piece';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useMaintenance } from './useMaintenance';

const ChoreForm = partOf(
  piece(() => import('@/features/formScreens')),
  'ChoreForm',
);

/** Times of a chore that are shown. */
const SHOWN = 6;

/** A chore: when it is due, what was said of it, and how the keeper wants it. */
export function ChoreScreen({ id }: { id: string }) {
  const history = useAppSelector(selectHistory);
  const maintenance = useMaintenance();
  const leave = useLeave(to.maintenance);
  if (!history) return null;
  const chore = choresOf(history, maintenance.chores).find((one) => one.id === id);
  if (id === 'new') {
    return (
      <Screen head={<BackHead title="A chore" aside={history.tank.name} />}>
        <Opening title="What comes round?">
          It falls due on Today, with the time it takes, and is done by a tap.
        </Opening>
        <Suspense fallback={null}>
          <ChoreForm tankId={history.tankId} zone={history.tank.zone} chore={null} onDone={leave} />
        </Suspense>
      </Screen>
    );
  }
  if (!chore) {
    return (
      <Screen head={<BackHead title="A chore" aside={history.tank.name} />}>
        <Opening title="This tank has no such chore.">
          It belongs to another tank, or was removed. Data shows what was changed lately.
        </Opening>
        <Button label="Back" onPress={leave} />
      </Screen>
    );
  }
  return <Known key={chore.id} chore={chore} />;
}

function Known({ chore }: { chore: Chore }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const leave = useLeave(to.maintenance);
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const [editing, setEditing] = useState(false);
  if (!history) return null;
  const { zone } = history.tank;
  const { open, later } = choreTimes(chore, history, now, dayOf(now + 60 * 86_400_000, zone));
  const opens = dayStart(open, zone);
  const inDays = daysUntilDay(now, opens, zone);
  const tank = { id: history.tankId, zone };
  const task = { key: choreKey(chore.id, open), title: chore.name };
  const times = happenedOf(chore, history).slice(-SHOWN).reverse();
  const { record } = chore;
  return (
    <Screen
      head={<BackHead title={chore.name} aside={history.tank.name} />}
      aside={
        <View>
          <SectionHead title="The last times" end={times.length === 0 ? 'none on record' : ''} />
          {times.map(({ on, how }, place) => (
            <Row
              key={`${on}/${place}`}
              title={dayWords(dayStart(on, zone), zone, now)}
              end={how === 'done' ? 'done' : 'left out'}
            />
          ))}
          {later.length > 0 ? <SectionHead title="After the next" /> : null}
          {later.slice(0, 4).map((day) => (
            <Row key={day} title={dayWords(dayStart(day, zone), zone, now)} />
          ))}
        </View>
      }
    >
      <Opening
        title={chore.off ? `${chore.name}: not asked for.` : `${chore.name}: ${dueWords(inDays)}.`}
      >
        {[
          `${capitalise(ruleWords(chore.rule))}, ${chore.minutes} min; next ${dayWords(opens, zone, now)}.`,
          chore.why ?? '',
        ]
          .filter(Boolean)
          .join(' ')}
      </Opening>
      {chore.usual?.caution ? <CautionRemark caution={CAUTIONS[chore.usual.caution]} /> : null}
      {editing ? null : (
        <ButtonRow>
          {chore.opens ? (
            <Button
              kind="primary"
              label="Do it"
              onPress={() => chore.opens && router.push(addressOf(chore.opens))}
            />
          ) : (
            <Button
              kind="primary"
              label="It is done"
              onPress={() =>
                void dispatch(markTask(task, tank, { how: 'done' }, `${chore.name}: done`))
              }
            />
          )}
          {chore.opens ? (
            <Button
              label="It was done"
              onPress={() =>
                void dispatch(markTask(task, tank, { how: 'done' }, `${chore.name}: done`))
              }
            />
          ) : null}
          <Button
            label="Leave it out this time"
            onPress={() =>
              void dispatch(markTask(task, tank, { how: 'skipped', reason: '' }, 'Left out'))
            }
          />
        </ButtonRow>
      )}
      {editing ? (
        <Suspense fallback={null}>
          <ChoreForm
            tankId={history.tankId}
            zone={zone}
            chore={{
              of: chore.usual?.id ?? null,
              record,
              body: {
                name: chore.name,
                minutes: chore.minutes,
                ...(chore.litres === null ? {} : { litres: chore.litres }),
                rule: chore.rule,
                ...(chore.off ? { off: true as const } : {}),
              },
            }}
            onDone={() => setEditing(false)}
          />
        </Suspense>
      ) : (
        <Button label="Change it" onPress={() => setEditing(true)} />
      )}
      {record && !editing ? (
        <Button
          label={chore.usual ? 'As it usually is again' : 'Remove it'}
          onPress={() => {
            void dispatch(
              recordAct(
                (act) => act.remove(record),
                chore.usual ? 'As usual again' : 'Chore removed',
              ),
            );
            if (!chore.usual) leave();
          }}
        />
      ) : null}
    </Screen>
  );
}
