import type { PenReading } from '@/core/monitor/protocol';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatFixed } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { instruments, recordRead } from '@/store/connections';
import { useAppDispatch } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { EndConnection } from './EndConnection';
import { NoAnswer } from './PairAgain';
import { useAsked } from './useAsked';

/** A pen that is asked: it warms up, comes to the temperature of the water, and its reading goes into the log by a tap. */
export function PenScreen({ connection }: { connection: RevisionOf<'connection'> }) {
  const dispatch = useAppDispatch();
  const { asked, ask, clear } = useAsked<PenReading>(connection);
  const measure = () => ask((instrument, token) => instruments.penReading(instrument, token));
  const read = asked.state === 'answered' ? asked.answer : null;
  const log = async (reading: PenReading) => {
    const words = `Logged ${formatFixed(reading.salinity, 1)} ppt`;
    const saved = await dispatch(
      recordRead(connection, 'salinity', reading.salinity, reading.at, words),
    );
    if (saved) clear();
  };
  return (
    <Screen head={<BackHead title={connection.body.name} />}>
      <Opening title={titleOf(asked, read)}>
        {read
          ? read.steady
            ? 'Stirred once and held still, a hand’s breadth under the surface.'
            : 'It has not yet come to the temperature of the water: measure once more for a truer figure.'
          : 'Rinse the pen and hold its tip in the tank, a hand’s breadth deep.'}
      </Opening>
      {read ? (
        <>
          <Row
            title="Conductivity"
            end={`${formatFixed(read.conductivity, 2)} mS/cm as measured`}
          />
          <Row title="Water at the pen" end={`${formatFixed(read.temperature, 1)} °C`} />
          <Row
            title="Salinity"
            note="From both, by PSS-78"
            end={`${formatFixed(read.salinity, 2)} ppt`}
          />
          <Button kind="primary" label="Log it" onPress={() => void log(read)} />
        </>
      ) : null}
      <NoAnswer connection={connection} asked={asked} onPaired={clear} />
      <Button
        kind={read ? 'plain' : 'primary'}
        label={read ? 'Measure again' : 'Measure'}
        disabled={asked.state === 'asking' || asked.state === 'waiting'}
        onPress={measure}
      />
      <EndConnection connection={connection} />
    </Screen>
  );
}

function titleOf(asked: { state: string; why?: string }, read: PenReading | null): string {
  if (read) return `${formatFixed(read.salinity, 1)} ppt.`;
  if (asked.state === 'waiting') return asked.why ?? 'It takes a moment.';
  return asked.state === 'asking' ? 'Measuring.' : 'Ready to measure.';
}
