import { useState } from 'react';
import { View } from 'react-native';
import { PARAMETERS } from '@/core/parameters/registry';
import { PROTOCOLS } from '@/core/quarantine/protocols';
import type { Protocol } from '@/core/records/schema/protocol';
import { countOf } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { ProtocolForm } from './forms';

/** Every way through quarantine, what it trades, and copies of the keeper's own. */
export function ProtocolsScreen() {
  const own = useAppSelector((state) => state.log.protocols);
  const [open, setOpen] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const all = [...PROTOCOLS, ...own.map(({ body }) => body)];
  const shown = all.find(({ id }) => id === open);
  const head = own.find(({ body }) => body.id === open);
  return (
    <Screen
      head={<BackHead title="Quarantine" aside="protocols" />}
      aside={
        shown ? (
          head && editing === shown.id ? (
            <ProtocolForm key={shown.id} head={head} onDone={() => setEditing(null)} />
          ) : (
            <Shown protocol={shown} onEdit={() => setEditing(shown.id)} onOpen={setOpen} />
          )
        ) : undefined
      }
    >
      <Opening title={`${all.length} ways through.`}>
        Choose by what each trades. One that is copied can be changed to what you do.
      </Opening>
      <View>
        {all.map(({ id, name, days, trades }) => (
          <Row
            key={id}
            title={`${name}${days === 0 ? '' : `, ${countOf(days, 'day')}`}`}
            note={trades}
            current={id === open}
            onPress={() => setOpen(id)}
          />
        ))}
      </View>
    </Screen>
  );
}

function Shown({
  protocol,
  onEdit,
  onOpen,
}: {
  protocol: Protocol;
  onEdit: () => void;
  onOpen: (id: string) => void;
}) {
  const dispatch = useAppDispatch();
  const own = useAppSelector((state) => state.log.protocols);
  const head = own.find(({ body }) => body.id === protocol.id);
  const copy = () => {
    void dispatch(
      recordAct((act) => {
        const taken = new Set(own.map(({ body }) => body.id));
        let n = 1;
        while (taken.has(`own-${protocol.id}-${n}`)) n += 1;
        const id = `own-${protocol.id}-${n}`;
        const name = `${protocol.name}, mine`.slice(0, 60);
        act.create('protocol', { ...protocol, id, name });
        onOpen(id);
      }, 'Copied; change what you do otherwise'),
    );
  };
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={protocol.name} />
      <Words as="body">{protocol.trades}</Words>
      {protocol.stages.map(({ name, fromDay, does, onSign, afterHeld }) => (
        <View key={name}>
          <Words as="strong">
            {onSign
              ? name
              : `${afterHeld ? 'Once it was held' : `From day ${fromDay}`}: ${name.toLowerCase()}`}
          </Words>
          {does.map((line) => (
            <Words key={line} as="body">
              {line}
            </Words>
          ))}
        </View>
      ))}
      <Words as="soft">{protocol.restarts}</Words>
      {protocol.tests.length > 0 ? (
        <Words as="soft">
          {`Tests: ${protocol.tests.map(({ parameter, everyDays }) => `${PARAMETERS[parameter].inSentence} ${everyDays === 1 ? 'daily' : `every ${everyDays} days`}`).join(', ')}.`}
        </Words>
      ) : null}
      {protocol.release.length > 0 ? (
        <Words as="soft">{`Before release: ${protocol.release.join('; ').toLowerCase()}.`}</Words>
      ) : null}
      <ButtonRow>
        <Button label="Copy it" onPress={copy} />
        {head ? <Button label="Change it" onPress={onEdit} /> : null}
      </ButtonRow>
      {head ? (
        <LinkButton
          soft
          label="Remove it"
          onPress={() => void dispatch(recordAct((act) => act.remove(head), 'Protocol removed'))}
        />
      ) : null}
    </View>
  );
}
