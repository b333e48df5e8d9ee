import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { dueWords } from '@/core/tasks/due';
import { grouped, todayWords } from '@/core/tasks/grouped';
import { isNextTest } from '@/core/tasks/sources/guide';
import type { Occurrence } from '@/core/tasks/types';
import { timeWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { addressOf } from '@/frame/addressOf';
import { to } from '@/frame/addresses';
import { useAppDispatch } from '@/store/hooks';
import { markTask } from '@/store/tasks';
import { LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { PutOffSheet } from './PutOffSheet';

const styles = StyleSheet.create({
  ring: {
    width: 24,
    height: 24,
    borderRadius: 12,
    borderWidth: 1.5,
    borderColor: color.ink,
  },
  box: { borderRadius: 4 },
});

/** When a task is due; with its hour where that matters. */
function whenWords(task: Occurrence, zone: string): string {
  const day = dueWords(task.inDays);
  return task.at === undefined ? day : `${day} ${timeWords(task.at, zone)}`;
}

/** Rows that are shown; the rest is a tap away. */
const SHOWN = 7;
/** Of them, kept for what lies ahead: much that is due must not hide it. */
const AHEAD = 2;

/** The rows that are shown. The test that the forecast asks for is one of them, however much is due. */
export function shownOf(all: readonly Occurrence[]): Occurrence[] {
  const now = all.filter((task) => task.inDays <= 0).slice(0, SHOWN - AHEAD);
  const ahead = all.filter((task) => task.inDays > 0).slice(0, SHOWN - now.length);
  const next = all.find(isNextTest);
  if (next && next.inDays > 0 && !ahead.includes(next)) ahead.splice(-1, 1, next);
  return [...now, ...ahead];
}

interface DueListProps {
  tasks: readonly Occurrence[];
  tank: { id: string; zone: string };
}

/**
 * What is due, most useful first, with the time it takes and why now. Each row is one tap: it leads to
 * where the thing is done, or says that it is done.
 */
export function DueList({ tasks, tank }: DueListProps) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const [asking, setAsking] = useState(false);
  const all = grouped(tasks);
  const today = all.filter((task) => task.inDays <= 0);
  const rows = shownOf(all);
  const more = today.length - rows.filter((task) => task.inDays <= 0).length;
  return (
    <View>
      <SectionHead title="To do" end={todayWords(tasks)} />
      {rows.map((task) => {
        // What lies ahead is not said to be done by a tap that looks like opening it.
        const ticks = task.tick === true && task.inDays <= 0;
        const when = whenWords(task, tank.zone);
        return (
          <Row
            key={task.id}
            title={task.title}
            note={task.because}
            accessibleName={`${ticks ? 'Done: ' : ''}${task.title}, ${when}. ${task.because}`}
            lead={<View style={[styles.ring, ticks && styles.box]} />}
            end={
              <>
                <Words as="soft" style={{ color: color.ink }}>
                  {when}
                </Words>
                <Words as="aside">{`${task.minutes} min`}</Words>
              </>
            }
            onPress={() => {
              if (ticks) {
                void dispatch(markTask(task, tank, { how: 'done' }, `${task.title}: done`));
              } else router.push(addressOf(task.opens));
            }}
          />
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 20 }}>
        {today.length > 0 ? (
          <LinkButton soft label="Put something off" onPress={() => setAsking(true)} />
        ) : null}
        <LinkButton
          soft
          label={
            more > 0 ? `${countOf(more, 'more thing')}, and the weeks ahead` : 'The weeks ahead'
          }
          onPress={() => router.push(to.maintenance)}
        />
      </View>
      <PutOffSheet
        open={asking}
        onClose={() => setAsking(false)}
        tasks={tasks.filter((task) => task.inDays <= 0)}
        tank={tank}
      />
    </View>
  );
}
