import { useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { litresFor, readinessOf } from '@/core/quarantine/tank/readiness';
import { spongeWords } from '@/core/quarantine/tank/sponge';
import { demandOf } from '@/core/livestock/food/demand';
import { rosterOf } from '@/core/livestock/roster/roster';
import { entriesOfTank } from '@/core/records/log';
import { daysBetween, instant } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector, useDraft } from '@/store/hooks';
import { selectNow, selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Tick } from '@/ui/Choice';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { Stepper } from '../Stepper';
import { useFinder } from '../useStock';

const ticksSchema = z.array(z.string());

/** Whether a quarantine tank is ready for anybody, line by line, with the sums for its size. */
export function ReadinessScreen({ given }: { given: Readonly<Record<string, string>> }) {
  const measured = useMeasures();
  const tanks = useAppSelector(selectTanks);
  const tank =
    tanks.find(({ id }) => id === given.tank) ??
    tanks.find(({ body }) => body.kind === 'quarantine');
  const history = useAppSelector((state) => selectHistoryOf(state, tank?.id ?? null));
  const now = useAppSelector(selectNow);
  const [ticked, setTicked] = useDraft(`quarantine/ready/${tank?.id ?? ''}`, ticksSchema, []);
  const [cm, setCm] = useState(6);
  const [count, setCount] = useState(2);
  if (!tank || !history) {
    return (
      <Screen head={<BackHead title="Quarantine" />}>
        <Opening title="No quarantine tank yet.">Add one under Tanks.</Opening>
      </Screen>
    );
  }
  const lines = readinessOf(history, now);
  const open = lines.filter(({ id, shown }) => shown !== true && !ticked.includes(id));
  const { low, high } = litresFor(cm, count);
  return (
    <Screen
      head={<BackHead title="Quarantine" aside={tank.body.name} />}
      aside={
        <>
          <SectionHead title="How large for whom" />
          <Stepper label="Fish" value={count} onChange={setCount} most={12} />
          <Stepper label="Length of each, cm" value={cm} onChange={setCm} most={40} />
          <Words as="body">
            {measured(`${formatPlain(low, 0)} to ${formatPlain(high, 0)} L.`)}
          </Words>
          <Seeded />
        </>
      }
    >
      <Opening title={open.length === 0 ? 'Ready.' : `${open.length} of ${lines.length} open.`}>
        {open[0] ? `Next: ${open[0].title.toLowerCase()}.` : 'Everything it needs is there.'}
      </Opening>
      <View>
        {lines.map(({ id, title, text, shown }) => (
          <Tick
            key={id}
            label={title}
            note={measured(shown === true ? `${text} Seen in the log.` : text)}
            value={shown === true || ticked.includes(id)}
            onChange={(on) => setTicked(on ? [...ticked, id] : ticked.filter((one) => one !== id))}
          />
        ))}
      </View>
    </Screen>
  );
}

/** Sponges that are seeded in healthy tanks, and what they may carry. */
function Seeded() {
  const log = useAppSelector((state) => state.log);
  const sponges = log.tanks.flatMap(({ id, body }) => {
    const moves = entriesOfTank(log, id).flatMap((entry) =>
      entry.body.kind === 'sponge' ? [entry.body] : [],
    );
    const last = moves.at(-1);
    return last?.move === 'seeding' ? [{ id, name: body.name, since: instant(last.at) }] : [];
  });
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="Seeded sponges" />
      {sponges.length === 0 ? (
        <Words as="soft">
          None on record. One put into the flow of a healthy tank now is good in four weeks: log it
          as a sponge there.
        </Words>
      ) : (
        sponges.map((sponge) => <Sponge key={sponge.id} {...sponge} />)
      )}
    </View>
  );
}

function Sponge({ id, name, since }: { id: string; name: string; since: number }) {
  const history = useAppSelector((state) => selectHistoryOf(state, id));
  const now = useAppSelector(selectNow);
  const find = useFinder();
  if (!history) return null;
  const { nitrogen } = demandOf(history, rosterOf(history), now, find);
  const days = daysBetween(since, now, history.tank.zone);
  return (
    <Words as="body">{`**${name}.** ${spongeWords({ days, tankNitrogen: nitrogen.usual })}`}</Words>
  );
}
