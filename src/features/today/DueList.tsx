import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { dueWords } from '@/core/tasks/due';
import type { DueTask, TaskKind } from '@/core/tasks/types';
import { timeWords } from '@/core/time/words';
import { capitalise, countOf, listWords } from '@/core/units/format';
import { PARAMETERS } from '@/core/parameters/registry';
import { Row, SectionHead } from '@/ui/Row';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  ring: { width: 24, height: 24, borderRadius: 12, borderWidth: 1.5, borderColor: color.ink },
});

/** Tests that fall due together are one sitting, and one row. */
export function grouped(tasks: readonly DueTask[]): DueTask[] {
  const now = tasks.filter((task) => task.kind === 'test' && task.inDays <= 0);
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

/** Where each kind of task is done. */
const ADDRESSES: Record<Exclude<TaskKind, 'fitLid' | 'verifyHeater'>, string> = {
  test: '/log/test',
  challengeTest: '/cycle/challenge',
  bacteria: '/log/dose',
  ammoniaDose: '/cycle/dose',
  raiseAlkalinity: '/log/dose',
};

/** When a task is due; with its hour where that matters. */
function whenWords(task: DueTask, zone: string): string {
  const day = dueWords(task.inDays);
  return task.at === undefined ? day : `${day} ${timeWords(task.at, zone)}`;
}

/** What is due, most useful first; each row leads to where it is done. */
export function DueList({
  tasks,
  tankId,
  zone,
}: {
  tasks: readonly DueTask[];
  tankId: string;
  zone: string;
}) {
  const router = useRouter();
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
          onPress={() =>
            router.push(
              (task.kind === 'fitLid' || task.kind === 'verifyHeater'
                ? `/tanks/${tankId}`
                : ADDRESSES[task.kind]) as never,
            )
          }
        />
      ))}
    </View>
  );
}
