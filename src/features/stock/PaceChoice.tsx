import { View } from 'react-native';
import type { RevisionOf } from '@/core/records/schema/revision';
import { DEFAULT_STOCKING, type Pace, type Stocking, type Tank } from '@/core/records/schema/tank';
import { protocolOf, protocolsFor } from '@/core/quarantine/protocols';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Choice } from '@/ui/Choice';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const PACES: { value: string; label: string; pace: Pace; trades: string }[] = [
  {
    value: 'doubling',
    label: 'At most double a month',
    pace: { rule: 'doubling' },
    trades: 'The filter grows with its food: a month’s additions at most double it.',
  },
  {
    value: 'interval',
    label: 'One, then three weeks',
    pace: { rule: 'interval', days: 21 },
    trades: 'Slow and simple: one or two fish, then three weeks with tests.',
  },
  {
    value: 'measured',
    label: 'What the model carries',
    pace: { rule: 'measured' },
    trades: 'Quickest: as much as your readings say the filter carries, a week apart.',
  },
];

/** The pace and the quarantine of a tank, with what each trades. */
export function PaceChoice({ tank }: { tank: RevisionOf<'tank'> }) {
  const dispatch = useAppDispatch();
  const stocking = tank.body.stocking ?? DEFAULT_STOCKING;
  const choose = (next: Stocking) => {
    const body: Tank = { ...tank.body, stocking: next };
    void dispatch(recordAct((act) => act.revise(tank, body), 'Stocking changed'));
  };
  const pace = PACES.find(({ value }) => value === stocking.pace.rule);
  const own = useAppSelector((state) => state.log.protocols).map(({ body }) => body);
  const protocol = protocolOf(stocking.protocol, own);
  return (
    <View style={{ gap: space.m }}>
      <SectionHead title="How fast" />
      <Choice
        label="Pace"
        bare
        value={stocking.pace.rule}
        onChange={(value) => {
          const chosen = PACES.find((one) => one.value === value);
          if (chosen) choose({ ...stocking, pace: chosen.pace });
        }}
        options={
          PACES.map(({ value, label }) => ({ value, label })) as {
            value: Pace['rule'];
            label: string;
          }[]
        }
      />
      <Words as="soft">{pace?.trades ?? ''}</Words>
      <SectionHead title="Quarantine" />
      <Choice
        label="Quarantine"
        bare
        value={protocol.id}
        onChange={(id) => choose({ ...stocking, protocol: id })}
        options={protocolsFor('fish', own).map(({ id, name }) => ({ value: id, label: name }))}
      />
      {protocol.days === 0 ? (
        <Remark tone="caution" title="No quarantine">
          {protocol.trades}
        </Remark>
      ) : (
        <Words as="soft">{`${protocol.days} days. ${protocol.trades}`}</Words>
      )}
    </View>
  );
}
