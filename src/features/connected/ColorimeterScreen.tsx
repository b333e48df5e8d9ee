import { useState } from 'react';
import { COLORIMETER_PARAMETERS, type ColorimeterReading } from '@/core/monitor/protocol';
import { withUnit } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { instruments, recordRead } from '@/store/connections';
import { useAppDispatch } from '@/store/hooks';
import { Choice } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { EndConnection } from './EndConnection';
import { NoAnswer } from './PairAgain';
import { useAsked } from './useAsked';

type Parameter = (typeof COLORIMETER_PARAMETERS)[number];

const figure = ({ value, unit }: ColorimeterReading) => withUnit(formatPlain(value, 3), unit);

/** A colorimeter: the blank first, then a vial with its reagent. */
export function ColorimeterScreen({ connection }: { connection: RevisionOf<'connection'> }) {
  const dispatch = useAppDispatch();
  const [parameter, setParameter] = useState<Parameter>('ammonia');
  const blank = useAsked<true>(connection);
  const measured = useAsked<ColorimeterReading>(connection);
  const read = measured.asked.state === 'answered' ? measured.asked.answer : null;
  const busy = ['asking', 'waiting'].includes(measured.asked.state);
  const log = async (reading: ColorimeterReading) => {
    const saved = await dispatch(
      recordRead(
        connection,
        reading.parameter,
        reading.value,
        reading.at,
        `Logged ${PARAMETERS[reading.parameter].inSentence} ${figure(reading)}`,
      ),
    );
    if (saved) measured.clear();
  };
  const blanked = blank.asked.state === 'answered';
  return (
    <Screen head={<BackHead title={connection.body.name} />}>
      <Opening
        title={
          read
            ? `${PARAMETERS[read.parameter].name} ${figure(read)}.`
            : measured.asked.state === 'waiting'
              ? measured.asked.why
              : blanked
                ? 'The blank is set.'
                : 'First the blank.'
        }
      >
        A vial of tank water without reagent is zero to it for ten minutes; wipe both vials dry, and
        put them in the same way round.
      </Opening>
      <Choice
        label="What is tested"
        value={parameter}
        onChange={setParameter}
        options={COLORIMETER_PARAMETERS.map((value) => ({ value, label: PARAMETERS[value].name }))}
      />
      <Button
        kind={blanked ? 'plain' : 'primary'}
        label={blanked ? 'Set the blank again' : 'The blank is in'}
        onPress={() =>
          blank.ask(async (instrument, token) => {
            await instruments.blank(instrument, token);
            return true;
          })
        }
      />
      <Button
        kind={blanked && !read ? 'primary' : 'plain'}
        label="The vial with reagent is in"
        disabled={busy || !blanked}
        onPress={() =>
          measured.ask((instrument, token) =>
            instruments.colorimeterReading(instrument, token, parameter),
          )
        }
      />
      {read ? <Button kind="primary" label="Log it" onPress={() => void log(read)} /> : null}
      {blank.asked.state === 'trouble' ? (
        <NoAnswer connection={connection} asked={blank.asked} onPaired={blank.clear} />
      ) : (
        <NoAnswer connection={connection} asked={measured.asked} onPaired={measured.clear} />
      )}
      <EndConnection connection={connection} />
    </Screen>
  );
}
