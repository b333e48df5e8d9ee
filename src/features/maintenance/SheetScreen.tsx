import { View } from 'react-native';
import { daysAway } from '@/core/maintenance/away/awayPlan';
import { dayWords, fullDayWords } from '@/core/time/words';
import { dayStart } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { useLeave } from '@/frame/useLeave';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectNow, selectZone } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useAbsence } from './AwayScreen';
import { Line } from './Line';
import { useAwayPlans } from './useAwayPlans';

/** One page for the person who minds the tanks, to be printed in black on white. */
export function SheetScreen() {
  const absence = useAbsence();
  const plans = useAwayPlans(absence?.body ?? null);
  const zone = useAppSelector(selectZone);
  const now = useAppSelector(selectNow);
  const measured = useMeasures();
  const leave = useLeave();
  if (!absence) {
    return (
      <Screen head={<BackHead title="The sheet" />}>
        <Opening title="There are no days away yet.">Say when, and who comes by.</Opening>
        <Button label="Back" onPress={leave} />
      </Screen>
    );
  }
  const { body } = absence;
  const day = (of: string) => dayStart(of, zone);
  const each = plans.some(({ lines }) => lines.some(({ how }) => how === 'minder'));
  return (
    <Screen head={<BackHead title="The sheet" />}>
      <Opening title={body.minder ? `For ${body.minder}.` : 'Nobody comes by.'}>
        {`${fullDayWords(day(body.from), zone)} to ${fullDayWords(day(body.until), zone)}: ${countOf(daysAway(body), 'day')}. Thank you.`}
      </Opening>
      <Button kind="primary" label="Print it" onPress={() => window.print()} />
      <Line
        title="If a person is hurt"
        text="The emergency number first. Never touch water where a cord or a lamp lies in it: switch the fuse off."
      />
      <Line title="Call" text={body.call || 'Nobody is named yet.'} />
      {plans.map((plan) => {
        const told = body.tanks[plan.tankId];
        const mine = plan.lines.filter(({ how }) => how === 'minder');
        return (
          <View key={plan.tankId} role="listitem" style={{ gap: 6 }}>
            <SectionHead title={plan.name} end={each && mine.length > 0 ? 'each day' : ''} />
            <Line
              title="Look"
              text="Is everyone there, does the water move, is the floor dry? A minute is enough."
            />
            <Line title="Food" text={told?.food || 'Nothing: they can wait.'} />
            <Line
              title="Water level"
              text={measured(
                `Fresh water only, up to the mark, never salt water.${plan.topOffLitres === null ? '' : ` About ${formatPlain(plan.topOffLitres / daysAway(body), 1)} L a day.`}`,
              )}
            />
            {mine
              .filter(({ id }) => id !== 'round')
              .map(({ id, title, days }) => (
                <Line
                  key={id}
                  title={title}
                  text={days.map((of) => dayWords(day(of), zone, now)).join(', ')}
                />
              ))}
            <Line title="Do not touch" text={told?.leave || 'Anything else.'} />
          </View>
        );
      })}
      <View role="listitem" style={{ gap: 6 }}>
        <SectionHead title="If something is wrong" />
        <Line
          title="Water on the floor"
          text="Unplug nothing with wet hands: the fuse first, then call."
        />
        <Line title="No power" text="Call. Do not feed. Do not open the lid." />
        <Line
          title="A dead animal"
          text="Take it out with a cup, into the household waste, and call. Some carry venom or poison: no bare hands."
        />
        <Line
          title="Cloudy, or fish at the surface"
          text="Call at once. Nothing into the water before that."
        />
      </View>
    </Screen>
  );
}
