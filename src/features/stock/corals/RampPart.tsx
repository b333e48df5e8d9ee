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
  const [weeks, setWeeks] = useState(ramp?.weeks ?? 6);
  const begin = () => {
    const next: Ramp = { from: 25, to: 70, weeks, start: dayOf(now, zone) };
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
              ? `Next ${next.percent} % on ${dayWords(next.at, zone)}.`
              : `At ${ramp.to} % since ${dayWords(steps.at(-1)?.at ?? now, zone)}.`}
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
            From a quarter to seven tenths of its power, a step a week: corals and algae follow, and
            neither is burnt.
          </Words>
          <Stepper label="Weeks" value={weeks} onChange={setWeeks} most={12} />
          <ButtonRow>
            <Button label="Plan the steps from today" onPress={begin} />
          </ButtonRow>
        </>
      )}
    </View>
  );
}
