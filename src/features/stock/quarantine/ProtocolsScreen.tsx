import { useState } from 'react';
import { View } from 'react-native';
import { PROTOCOLS } from '@/core/quarantine/protocols';
import { protocolSchema, type Protocol } from '@/core/records/schema/protocol';
import { countOf, parseNumber } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Field } from '@/ui/Field';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** Every way through quarantine, what it trades, and copies of the keeper's own. */
export function ProtocolsScreen() {
  const own = useAppSelector((state) => state.log.protocols);
  const [open, setOpen] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const all = [...PROTOCOLS, ...own.map(({ body }) => body)];
  const shown = all.find(({ id }) => id === open);
  return (
    <Screen
      head={<BackHead title="Quarantine" aside="protocols" />}
      aside={
        shown ? (
          editing === shown.id ? (
            <Edit key={shown.id} protocol={shown} onDone={() => setEditing(null)} />
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
      {protocol.stages.map(({ name, fromDay, does }) => (
        <View key={name}>
          <Words as="strong">{`From day ${fromDay}: ${name.toLowerCase()}`}</Words>
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
          {`Tests: ${protocol.tests.map(({ parameter, everyDays }) => `${parameter === 'ph' ? 'pH' : parameter} ${everyDays === 1 ? 'daily' : `every ${everyDays} days`}`).join(', ')}.`}
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

/** The lines of a protocol, one to a line, so that a keeper types what they do. */
function Edit({ protocol, onDone }: { protocol: Protocol; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const head = useAppSelector((state) =>
    state.log.protocols.find(({ body }) => body.id === protocol.id),
  );
  const [name, setName] = useState(protocol.name);
  const [days, setDays] = useState(String(protocol.days));
  const [trades, setTrades] = useState(protocol.trades);
  const [stages, setStages] = useState(protocol.stages.map(({ does }) => does.join('\n')));
  const [release, setRelease] = useState(protocol.release.join('\n'));
  const lines = (text: string) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '');
  const made = protocolSchema.safeParse({
    ...protocol,
    name,
    days: parseNumber(days) ?? Number.NaN,
    trades,
    stages: protocol.stages
      .map((stage, i) => ({ ...stage, does: lines(stages[i] ?? '') }))
      .filter(({ does }) => does.length > 0),
    release: lines(release),
  });
  const wrong = made.success ? null : made.error.issues[0];
  return (
    <View style={{ gap: 12 }}>
      <Field label="Its name" value={name} onChange={setName} />
      <Field label="Clear days" kind="number" value={days} onChange={setDays} />
      <Field label="What it trades" kind="many" value={trades} onChange={setTrades} />
      {protocol.stages.map((stage, i) => (
        <Field
          key={stage.name}
          label={`From day ${stage.fromDay}: ${stage.name.toLowerCase()}, a line each`}
          kind="many"
          value={stages[i] ?? ''}
          onChange={(text) => setStages(stages.map((old, k) => (k === i ? text : old)))}
        />
      ))}
      <Field
        label="Before release, a line each"
        kind="many"
        value={release}
        onChange={setRelease}
      />
      {wrong ? (
        <Remark tone="watch">
          {`${WRONG[String(wrong.path[0])] ?? 'Something in it'}: look again. Nothing is lost meanwhile.`}
        </Remark>
      ) : null}
      <ButtonRow>
        <Button
          kind="primary"
          label="Save it"
          disabled={!made.success || !head}
          onPress={() => {
            if (!made.success || !head) return;
            const { data } = made;
            void dispatch(recordAct((act) => act.revise(head, data), 'Protocol saved'));
            onDone();
          }}
        />
        <Button label="Leave it" onPress={onDone} />
      </ButtonRow>
    </View>
  );
}

const WRONG: Record<string, string> = {
  name: 'The name wants 2 to 60 letters',
  days: 'The days are a whole number from 0 to 120',
  trades: 'What it trades wants 10 to 300 letters',
  stages: 'A line of a stage wants 3 to 200 letters, 8 lines at most',
  release: 'A line before release wants 3 to 200 letters, 8 lines at most',
};
