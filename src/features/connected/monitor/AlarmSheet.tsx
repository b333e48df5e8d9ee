import { useState } from 'react';
import { ALARMS } from '@/core/monitor/alarms/alarms';
import { alarmFirst } from '@/core/monitor/alarms/alarmFirst';
import { alarmTitle } from '@/core/monitor/alarms/alarmWords';
import type { AlarmId } from '@/core/monitor/alarms/alarmIds';
import { CHANNELS } from '@/core/monitor/channels';
import { PARAMETERS } from '@/core/parameters/registry';
import type { AlarmChoice } from '@/core/records/schema/connection';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { recordAct } from '@/store/record';
import { useAppDispatch, useTyped } from '@/store/hooks';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

const LONGEST_MINUTES = 1440;

/** The figure beyond which an alarm rings, as it is meant; null where a switch decides. */
export function limitOf(id: AlarmId): { value: number; unit: string; label: string } | null {
  const { watches } = ALARMS[id];
  if (watches.by === 'switch' || watches.by === 'silence') return null;
  const unit = unitSymbol(PARAMETERS[CHANNELS[watches.channel].parameter].canonicalUnit);
  switch (watches.by) {
    case 'band':
      return { value: watches.above, unit, label: 'Outside of the tank’s band by' };
    case 'above':
      return { value: watches.limit, unit, label: 'Above' };
    case 'below':
      return { value: watches.limit, unit, label: 'Below' };
    case 'rate':
      return { value: watches.limit, unit: `${unit} an hour`, label: 'Moves by' };
    case 'jump':
      return { value: watches.limit, unit: `${unit} in ten minutes`.trim(), label: 'Rises by' };
  }
}

/** How one alarm is wanted. */
export function AlarmSheet({
  connection,
  id,
  onClose,
}: {
  connection: RevisionOf<'connection'>;
  id: AlarmId;
  onClose: () => void;
}) {
  const dispatch = useAppDispatch();
  const choice = connection.body.alarms[id] ?? {};
  const limit = limitOf(id);
  const usual = ALARMS[id].after / 60;
  const [on, setOn] = useState(choice.off ? 'off' : 'on');
  const name = `alarm/${connection.id}/${id}`;
  const [beyond, setBeyond, beyondUsed] = useTyped(
    `${name}/beyond`,
    formatPlain(choice.beyond ?? limit?.value ?? 0, 4),
  );
  const [minutes, setMinutes, minutesUsed] = useTyped(
    `${name}/minutes`,
    formatPlain(choice.minutes ?? usual, 2),
  );
  const [error, setError] = useState('');
  const save = async () => {
    const [figure, after] = [parseNumber(beyond), parseNumber(minutes)];
    if (limit && (figure === null || figure < 0))
      return setError('Enter a figure that is not below zero.');
    if (after === null || after < 0 || after > LONGEST_MINUTES)
      return setError('Minutes lie between 0 and a day, 1440.');
    const next: AlarmChoice = {
      ...(on === 'off' ? { off: true as const } : {}),
      ...(limit && figure !== null && figure !== limit.value ? { beyond: figure } : {}),
      ...(after === usual ? {} : { minutes: after }),
    };
    const { [id]: _before, ...rest } = connection.body.alarms;
    const alarms = Object.keys(next).length > 0 ? { ...rest, [id]: next } : rest;
    await dispatch(
      recordAct(
        (act) => act.revise(connection, { ...connection.body, alarms }),
        `Changed an alarm: ${alarmTitle(id)}`,
      ),
    );
    beyondUsed();
    minutesUsed();
    onClose();
  };
  return (
    <Sheet title={alarmTitle(id)} open onClose={onClose}>
      <Words as="body">{`What to do first: ${alarmFirst(id)}`}</Words>
      <Choice
        label="This alarm"
        value={on}
        onChange={setOn}
        options={[
          { value: 'on', label: ALARMS[id].byNight ? 'Rings, by night too' : 'Rings by day' },
          { value: 'off', label: 'Off' },
        ]}
      />
      {on === 'on' && limit ? (
        <Field
          label={limit.label}
          kind="number"
          unit={limit.unit}
          value={beyond}
          onChange={setBeyond}
        />
      ) : null}
      {on === 'on' ? (
        <Field
          label="For so long before it rings"
          kind="number"
          unit="min"
          value={minutes}
          {...(error === '' ? {} : { error })}
          onChange={setMinutes}
        />
      ) : null}
      <Button kind="primary" label="Keep" onPress={() => void save()} />
    </Sheet>
  );
}
