import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PARAMETERS } from '@/core/parameters/registry';
import type { TaskMarkEntry } from '@/core/records/kinds/taskMark';
import { dueWords } from '@/core/tasks/due';
import type { Occurrence } from '@/core/tasks/types';
import { timeWords } from '@/core/time/words';
import { addDaysIn, isoInZone, startOfDayIn } from '@/core/time/zone';
import { capitalise, countOf, listWords } from '@/core/units/format';
import { addressOf } from '@/frame/addressOf';
import { useAppDispatch } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Button, LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  ring: { width: 24, height: 24, borderRadius: 12, borderWidth: 1.5, borderColor: color.ink },
});

const isTest = (task: Occurrence) => 'form' in task.opens && task.opens.form === 'reading';

/** Tests that fall due together are one sitting, and one row. */
export function grouped(tasks: readonly Occurrence[]): Occurrence[] {
  const now = tasks.filter((task) => isTest(task) && task.inDays <= 0);
  if (now.length < 2) return [...tasks];
  const place = tasks.findIndex((task) => now.includes(task));
  const rest = tasks.filter((task) => !now.includes(task));
  const parameters = now.flatMap((task) => task.parameters);
  const oldest = now.reduce((a, b) => (a.inDays <= b.inDays ? a : b));
  return [
    ...rest.slice(0, place),
    {
      ...oldest,
      id: 'test-due',
      title: `Test ${listWords(parameters.map((id) => PARAMETERS[id].inSentence))}`,
      because: capitalise(oldest.because),
      minutes: Math.max(...now.map((task) => task.minutes)),
      parameters,
    },
    ...rest.slice(place),
  ];
}

/** When a task is due; with its hour where that matters. */
function whenWords(task: Occurrence, zone: string): string {
  const day = dueWords(task.inDays);
  return task.at === undefined ? day : `${day} ${timeWords(task.at, zone)}`;
}

interface DueListProps {
  tasks: readonly Occurrence[];
  tankId: string;
  zone: string;
  now: number;
}

/** What is due, most useful first; each row leads to where it is done, and can be put off. */
export function DueList({ tasks, tankId, zone, now }: DueListProps) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  const rows = grouped(tasks).slice(0, 6);
  const due = rows.filter((task) => task.inDays <= 0).length;
  return (
    <View>
      <SectionHead
        title="Due"
        end={due === 0 ? 'nothing today' : `${countOf(due, 'thing')} today`}
      />
      {rows.map((task) => (
        <Row
          key={task.id}
          title={task.title}
          note={task.because}
          accessibleName={`${task.title}, ${whenWords(task, zone)}. ${task.because}`}
          lead={<View style={styles.ring} />}
          end={
            <>
              <Words as="soft" style={{ color: color.ink }}>
                {whenWords(task, zone)}
              </Words>
              <Words as="aside">{`${task.minutes} min`}</Words>
            </>
          }
          onPress={() => router.push(addressOf(task.opens))}
        />
      ))}
      {due > 0 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <LinkButton soft label="Put something off" onPress={() => setAsking(true)} />
        </View>
      ) : null}
      <PutOffSheet
        open={asking}
        onClose={() => setAsking(false)}
        tasks={tasks.filter((task) => task.inDays <= 0)}
        tankId={tankId}
        zone={zone}
        now={now}
      />
    </View>
  );
}

/** Puts a task off, or leaves this time of it out. */
function PutOffSheet({
  open,
  onClose,
  tasks,
  tankId,
  zone,
  now,
}: DueListProps & { open: boolean; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState<Occurrence | null>(null);
  const close = () => {
    setChosen(null);
    onClose();
  };
  const mark = (how: TaskMarkEntry['how'], days: number | null, words: string) => {
    if (!chosen) return;
    const until =
      days === null
        ? {}
        : { until: isoInZone(addDaysIn(startOfDayIn(now, zone), days, zone), zone) };
    void dispatch(
      recordAct(
        (act) =>
          act.create('entry', {
            kind: 'taskMark',
            tankId,
            at: isoInZone(now, zone),
            task: chosen.key,
            title: chosen.title,
            how,
            ...until,
          }),
        words,
      ),
    );
    close();
  };
  return (
    <Sheet title={chosen ? chosen.title : 'Put off what?'} open={open} onClose={close}>
      {chosen ? (
        <>
          <Button label="Until tomorrow" onPress={() => mark('snoozed', 1, 'Put off a day')} />
          <Button label="Three days" onPress={() => mark('snoozed', 3, 'Put off three days')} />
          <Button
            label="Leave it out this time"
            onPress={() => mark('skipped', null, 'Left out')}
          />
        </>
      ) : (
        <View>
          {tasks.map((task) => (
            <Row
              key={task.key}
              title={task.title}
              note={task.because}
              onPress={() => setChosen(task)}
            />
          ))}
        </View>
      )}
    </Sheet>
  );
}
