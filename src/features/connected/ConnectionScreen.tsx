import { liveHead } from '@/core/records/log';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector } from '@/store/hooks';
import { Opening, Screen } from '@/ui/Screen';
import { ColorimeterScreen } from './ColorimeterScreen';
import { CounterScreen } from './CounterScreen';
import { MonitorScreen } from './monitor/MonitorScreen';
import { PenScreen } from './PenScreen';

/** An instrument that is read by itself: each kind has a screen of its own. */
export function ConnectionScreen({ id }: { id: string }) {
  const connection = useAppSelector((state) => liveHead(state.log, id, 'connection'));
  if (!connection)
    return (
      <Screen head={<BackHead title="Connected instruments" />}>
        <Opening title="There is no such instrument.">
          It was never paired in this log, or its pairing was undone.
        </Opening>
      </Screen>
    );
  switch (connection.body.kind) {
    case 'monitor':
      return <MonitorScreen connection={connection} />;
    case 'pen':
      return <PenScreen connection={connection} />;
    case 'colorimeter':
      return <ColorimeterScreen connection={connection} />;
    case 'counter':
      return <CounterScreen connection={connection} />;
  }
}
