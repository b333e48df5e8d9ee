import { View } from 'react-native';
import { useState } from 'react';
import type { TankHistory } from '@/core/history/tankHistory';
import { moveEntries } from '@/core/livestock/roster/moving';
import type { Cohort } from '@/core/livestock/roster/roster';
import { isoInZone } from '@/core/time/zone';
import type { Kept } from '@/core/records/kinds/standstill';
import { countOf, parseNumber } from '@/core/units/format';
import { useRouter } from 'expo-router';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectTanks } from '@/store/selectors';
import { KeptChoice } from '@/frame/KeptChoice';
import { OptionList, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** What the move leaves in the log: who went where, the filter that came along, the old tank closed. */
export function MovedPart({
  history,
  cohorts,
}: {
  history: TankHistory;
  cohorts: readonly Cohort[];
}) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const tanks = useAppSelector(selectTanks).filter(({ id }) => id !== history.tankId);
  const run = useAppSelector((state) => state.log.runs).findLast(
    ({ body }) => body.procedure === 'moveTank' && body.tankId === history.tankId,
  );
  // Read off the record: the texts of the procedure are not fetched for one figure.
  const counted = run?.body.steps.fill?.value;
  const litres = typeof counted === 'number' ? counted : undefined;
  const [open, setOpen] = useState(false);
  const [target, setTarget] = useState<string | null>(null);
  const [close, setClose] = useState(true);
  const [kept, setKept] = useState<Kept>('flowing');
  const [hours, setHours, done] = useTyped(`moved/hours/${history.tankId}`);
  const wrongHours = hours !== '' && !((parseNumber(hours) ?? 0) > 0);
  const log = async () => {
    const tank = tanks.find(({ id }) => id === target);
    if (!tank) return;
    await dispatch(
      recordAct(
        (act) => {
          const from = { tankId: history.tankId, zone: history.tank.zone };
          const into = { tankId: tank.id, zone: tank.body.zone };
          for (const cohort of cohorts) {
            for (const entry of moveEntries({ cohort, from, to: into, at: act.now, cm: 0 })) {
              act.create('entry', entry);
            }
          }
          // The filter bacteria that come along is what its rock and media went through.
          const still = parseNumber(hours);
          if (still !== null && still > 0) {
            act.create('entry', {
              kind: 'standstill',
              tankId: tank.id,
              at: isoInZone(act.now, into.zone),
              hours: still,
              kept,
            });
          }
          // What was counted into it is its water, where nothing else was.
          const { volume } = tank.body;
          if (litres !== undefined && volume.measuredAtFill === null) {
            act.revise(tank, {
              ...tank.body,
              volume: { ...volume, measuredAtFill: { by: 'litres', litres } },
            });
          }
          if (close) {
            act.create('entry', {
              kind: 'closed',
              tankId: from.tankId,
              at: isoInZone(act.now + 1000, from.zone),
            });
          }
        },
        `Moved ${countOf(cohorts.length, 'group')} to ${tank.body.name}`,
      ),
    );
    done();
    setOpen(false);
  };
  return (
    <View style={{ gap: 10 }}>
      <SectionHead title="Once everyone is in" />
      <Words as="soft">
        The new tank has a log of its own: who moved, and when, is written into both.
      </Words>
      <Button label="Log who moved" onPress={() => setOpen(true)} />
      <Sheet title="Where did they go?" open={open} onClose={() => setOpen(false)}>
        {tanks.length === 0 ? (
          <Words as="body">There is no other tank yet: set the new one up first.</Words>
        ) : (
          <OptionList
            label="To"
            value={target}
            onChange={setTarget}
            options={tanks.map(({ id, body }) => ({ value: id, label: body.name }))}
          />
        )}
        <KeptChoice kept={kept} onChange={setKept} />
        <Field
          label="Hours they went without their flow"
          kind="number"
          unit="h"
          value={hours}
          error={
            wrongHours
              ? 'Hours, more than none; leave it empty if the flow never stopped.'
              : undefined
          }
          onChange={setHours}
        />
        <Tick label={`Close ${history.tank.name}`} value={close} onChange={setClose} />
        <Button
          label="Set up the new tank"
          onPress={() => {
            setOpen(false);
            router.push('/tanks/new');
          }}
        />
        <Button
          kind="primary"
          label={`Log ${countOf(cohorts.length, 'group')} as moved`}
          disabled={target === null || wrongHours}
          onPress={() => void log()}
        />
      </Sheet>
    </View>
  );
}
