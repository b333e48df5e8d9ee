import { useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { channelWords } from '@/core/monitor/alarms/alarmWords';
import { CHANNEL_IDS } from '@/core/monitor/channels';
import type { InstrumentKind } from '@/core/monitor/instrumentKinds';
import type { Instrument } from '@/core/monitor/protocol';
import type { RevisionOf } from '@/core/records/schema/revision';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { InstrumentTrouble } from '@/storage/instruments';
import { instruments, liveConnections } from '@/store/connections';
import { useAppSelector } from '@/store/hooks';
import { useLive } from '@/store/live';
import { selectSession, selectTank } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { NoLifeSafety } from './NoLifeSafety';
import { PairSheet } from './PairSheet';
import { STATE_WORDS } from './stateWords';

/** What an instrument of each kind does for its keeper. */
const DOES: Readonly<Record<InstrumentKind, string>> = {
  monitor: 'Measures without a pause, and rings',
  pen: 'Salinity, read into the log',
  colorimeter: 'Ammonia, nitrite, nitrate or phosphate, read into the log',
  counter: 'Hand in water, come back for the slip',
};

/** Instruments that are read by themselves, and those that can be paired. */
export function ConnectedScreen() {
  const router = useRouter();
  const connections = useAppSelector(liveConnections);
  const tank = useAppSelector(selectTank);
  const { which } = useAppSelector(selectSession);
  const found = useInstruments();
  const [pairing, setPairing] = useState<Instrument | null>(null);
  const known = new Set(connections.map(({ body }) => body.instrument));
  const offered = found.list.filter(({ id }) => !known.has(id));
  if (!LOGS[which].rings)
    return (
      <Screen>
        <Opening title="Practice is read by eye.">
          Instruments read real water. Open your own log or the demo to pair one.
        </Opening>
      </Screen>
    );
  return (
    <Screen>
      <Opening
        title={
          connections.length === 0
            ? 'No meter is connected yet.'
            : `${countOf(connections.length, 'meter is', 'meters are')} connected.`
        }
      >
        What a monitor, a pen or a colorimeter shows goes into the log without being typed. It is
        kept on this device.
      </Opening>
      {connections.map((connection) => (
        <ConnectionRow key={connection.id} connection={connection} />
      ))}
      <SectionHead title="To be paired" />
      {found.trouble ? (
        <>
          <Remark tone="watch" title="No instruments answer">
            {found.trouble}
          </Remark>
          <Button label="Look again" onPress={found.again} />
        </>
      ) : null}
      {offered.map((instrument) => (
        <Row
          key={instrument.id}
          title={instrument.name}
          note={`${DOES[instrument.kind]}${instrument.madeUp ? '. Made up, to try it' : ''}`}
          accessibleName={`Pair ${instrument.name}`}
          onPress={() => setPairing(instrument)}
        />
      ))}
      {!found.trouble && found.looked && offered.length === 0 ? (
        <Remark>Everything that answers here is paired.</Remark>
      ) : null}
      <SectionHead title="A slip from a shop" />
      <Row
        title="Bring a slip in"
        note="A file, or typed from paper, with the hour the water was drawn"
        onPress={() => router.push(to.slip)}
      />
      <NoLifeSafety />
      {pairing && tank ? (
        <PairSheet
          instrument={pairing}
          tankId={tank.id}
          tankName={tank.body.name}
          onClose={() => setPairing(null)}
          onPaired={(id) => {
            setPairing(null);
            router.push(to.connection(id));
          }}
        />
      ) : null}
    </Screen>
  );
}

/** What answers behind the app's own server. */
function useInstruments() {
  const [state, setState] = useState<{ list: Instrument[]; trouble: string; looked: boolean }>({
    list: [],
    trouble: '',
    looked: false,
  });
  const again = useCallback(() => {
    instruments.list().then(
      (list) => setState({ list, trouble: '', looked: true }),
      (error: unknown) =>
        setState({
          list: [],
          trouble: error instanceof InstrumentTrouble ? error.message : 'They cannot be reached.',
          looked: true,
        }),
    );
  }, []);
  useEffect(again, [again]);
  return { ...state, again };
}

function ConnectionRow({ connection }: { connection: RevisionOf<'connection'> }) {
  const router = useRouter();
  const live = useLive(connection.id);
  const { name, kind } = connection.body;
  const shown = CHANNEL_IDS.flatMap((channel) => {
    const value = live.values[channel];
    return value === undefined ? [] : [channelWords(channel, value)];
  });
  const note =
    kind !== 'monitor'
      ? DOES[kind]
      : [STATE_WORDS[live.state], ...(live.state === 'live' ? shown : [])].join(', ');
  return <Row title={name} note={note} onPress={() => router.push(to.connection(connection.id))} />;
}
