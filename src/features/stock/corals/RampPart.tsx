import { useState } from 'react';
import { View } from 'react-native';
import { rampSteps } from '@/core/corals/ramp';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Ramp } from '@/core/records/schema/tank';
import { dayWords, shortDay } from '@/core/time/words';
import { dayOf } from '@/core/time/zone';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { Stepper } from '../Stepper';

/** The light of the whole tank, raised week by week. */
export function RampPart({ tank }: { tank: RevisionOf<'tank'> }) {
  const dispatch = useAppDispatch();
  const now = useAppSelector((state) => state.clock.now);
  const { ramp, zone } = tank.body;
  const [weeks, setWeeks] = useState(6);
  const [from, setFrom] = useState(25);
  const [upTo, setUpTo] = useState(70);
  const begin = () => {
    const next: Ramp = { from, to: upTo, weeks, start: dayOf(now, zone) };
    void dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, ramp: next }), 'Light steps planned'),
    );
  };
  const steps = ramp ? rampSteps(ramp, zone) : [];
  const next = steps.find(({ at }) => at > now);
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Raising the light" />
      {ramp ? (
        <>
          <Words as="body">
            {next
              ? `Next ${next.percent} % on ${dayWords(next.at, zone, now)}.`
              : `At ${ramp.to} % since ${dayWords(steps.at(-1)?.at ?? now, zone, now)}.`}
          </Words>
          <Words as="soft">
            {steps.map(({ at, percent }) => `${shortDay(at, zone)} ${percent} %`).join(', ')}
          </Words>
          <LinkButton
            soft
            label="Take the steps off"
            onPress={() => {
              const { ramp: _gone, ...rest } = tank.body;
              void dispatch(recordAct((act) => act.revise(tank, rest), 'Light steps taken off'));
            }}
          />
        </>
      ) : (
        <>
          <Words as="soft">
            {`A step a week, so that corals follow and are not burnt. From what it has now to what the corals need: 70 % is plenty for most. ${tank.body.lightPlan === 'fullBeforeStocking' ? 'This tank is lit in full before its first animal: corals then begin in the shade and are moved up instead.' : 'Some light in full before the first animal instead, so that algae come and go in an empty tank.'}`}
          </Words>
          <Stepper label="From, %" value={from} onChange={setFrom} step={5} least={5} most={95} />
          <Stepper label="To, %" value={upTo} onChange={setUpTo} step={5} least={10} most={100} />
          <Stepper label="Weeks" value={weeks} onChange={setWeeks} most={12} />
          {upTo <= from ? (
            <Words as="soft" live>
              It ends no higher than it begins: raise the end, or begin lower.
            </Words>
          ) : null}
          <ButtonRow>
            <Button label="Plan the steps from today" disabled={upTo <= from} onPress={begin} />
          </ButtonRow>
        </>
      )}
    </View>
  );
}
