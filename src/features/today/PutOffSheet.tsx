import { useState } from 'react';
import { View } from 'react-native';
import { NAME_LETTERS } from '@/core/records/common';
import type { Occurrence } from '@/core/tasks/types';
import { useAppDispatch, useTyped } from '@/store/hooks';
import type { Said } from '@/core/acts/mark';
import { markTask } from '@/store/tasks';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';

/** Puts a task off, or leaves this time of it out, with the reason where there is one. */
export function PutOffSheet({
  open,
  onClose,
  tasks,
  tank,
}: {
  open: boolean;
  onClose: () => void;
  tasks: readonly Occurrence[];
  tank: { id: string; zone: string };
}) {
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState<Occurrence | null>(null);
  const [reason, setReason] = useTyped('putOff/reason');
  const close = () => {
    setChosen(null);
    setReason('');
    onClose();
  };
  const say = (said: Said, words: string) => {
    if (chosen) void dispatch(markTask(chosen, tank, said, words));
    close();
  };
  return (
    <Sheet title={chosen ? chosen.title : 'Put off what?'} open={open} onClose={close}>
      {chosen ? (
        <>
          <Button
            label="Until tomorrow"
            onPress={() => say({ how: 'snoozed', days: 1 }, 'Put off a day')}
          />
          <Button
            label="Three days"
            onPress={() => say({ how: 'snoozed', days: 3 }, 'Put off three days')}
          />
          <Button
            label="A week"
            onPress={() => say({ how: 'snoozed', days: 7 }, 'Put off a week')}
          />
          <Field
            label="Why it is left out, if you like"
            value={reason}
            onChange={(text) => setReason(text.slice(0, NAME_LETTERS))}
          />
          <Button
            label="Leave it out this time"
            onPress={() => say({ how: 'skipped', reason }, 'Left out')}
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
