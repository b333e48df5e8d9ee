import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { dateRangeInSentence, dateRangeWords } from '@/core/cycle/forecast/rangeWords';
import type { Forecast } from '@/core/cycle/forecast/types';
import { dueWords } from '@/core/tasks/cadence';
import { PARAMETERS } from '@/core/parameters/registry';
import { daysBetween } from '@/core/time/zone';
import { listWords } from '@/core/units/format';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  answer: {
    flexDirection: 'row',
    gap: space.m,
    paddingVertical: space.s,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
});

/** The test worth its reagent, and what each answer would change. */
export function NextTest({
  forecast,
  zone,
  now,
}: {
  forecast: Forecast;
  zone: string;
  now: number;
}) {
  const router = useRouter();
  const { nextTest } = forecast;
  if (!nextTest) return null;
  const inDays = Math.max(0, daysBetween(now, nextTest.at, zone));
  const idle =
    nextTest.idle.length > 0
      ? `${listWords(nextTest.idle.map((p) => PARAMETERS[p].name))} would tell little new.`
      : '';
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="Next test worth doing" />
      <Words as="body">
        {`**${PARAMETERS[nextTest.parameter].name}, ${dueWords(inDays)}.** ${nextTest.because}`}
      </Words>
      {nextTest.outcomes.length > 1
        ? nextTest.outcomes.map((outcome) => (
            <View key={outcome.words} style={styles.answer}>
              <Words as="strong" style={{ width: 96 }}>
                {outcome.words}
              </Words>
              <Words as="body" style={{ flex: 1 }}>
                {`${Math.max(1, Math.round(outcome.probability * 10))} in 10; then ready ${dateRangeInSentence(outcome.ready, zone, now)}`}
              </Words>
            </View>
          ))
        : null}
      {idle ? <Words as="soft">{idle}</Words> : null}
      <LinkButton soft label="Log a test" onPress={() => router.push('/log/test')} />
    </View>
  );
}

/** What becomes of it untouched, and what each change would be worth. */
export function IfYouDoNothing({
  forecast,
  zone,
  now,
}: {
  forecast: Forecast;
  zone: string;
  now: number;
}) {
  const [base, ...others] = forecast.whatIfs;
  if (!base) return null;
  const nitrite = dateRangeInSentence(base.nitriteClears, zone, now);
  const alkalinity = base.lowestAlkalinity;
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="If you do nothing" />
      <Words as="body">
        {`Nitrite clears ${nitrite}, and alkalinity goes down to about ${alkalinity.toFixed(1)} dKH on the way. The next 2 ppm dose would take ${(0.4 * 1.55).toFixed(1)} of it.${alkalinity < 6.5 ? ' A colony slows below 6.5.' : ''}`}
      </Words>
      {others.map((what) => (
        <Words key={what.id} as="body">
          {`**${CHANGES[what.id].title}:** ready ${dateRangeWords(what.ready, zone)}${savedWords(what.daysSaved)}. ${CHANGES[what.id].note}`}
        </Words>
      ))}
    </View>
  );
}

const CHANGES: Record<Forecast['whatIfs'][number]['id'], { title: string; note: string }> = {
  doNothing: { title: 'Do nothing', note: '' },
  raiseAlkalinity: { title: 'Raise alkalinity to 8.5', note: 'By 1.4 dKH a day at most.' },
  warmTo26: { title: 'Warm to 26 °C', note: 'A degree a day is plenty.' },
  doseAgain: {
    title: 'Dose 2 ppm today',
    note: 'It feeds the colony, and it has to be cleared again.',
  },
  addBottle: {
    title: 'Add a bottle of bacteria',
    note: 'A full dose by its label, if it is alive.',
  },
};

function savedWords(days: number | null): string {
  if (days === null || Math.abs(days) < 0.7) return ', much the same';
  const count = Math.round(Math.abs(days));
  return `, ${count} ${count === 1 ? 'day' : 'days'} ${days > 0 ? 'sooner' : 'later'}`;
}

const CAUSE_TITLES: Record<Forecast['stall'][number]['cause'], string> = {
  simplyEarly: 'Simply early',
  lowAlkalinity: 'Low alkalinity',
  cold: 'Cold water',
  overdose: 'Too much ammonia',
  weakDose: 'Underdosed, or a weak bottle of ammonia',
  deadBottle: 'A dead bottle of bacteria',
  colonyHarmed: 'Chlorine, medicine, or another harm',
  kitSuspect: 'A kit that reads wrong',
  unloggedDose: 'Ammonia that was not logged',
};

/** What holds it back, likeliest first, each with what speaks for it and what to do. */
export function HeldBack({ forecast }: { forecast: Forecast }) {
  const { stall } = forecast;
  const [first] = stall;
  if (!first) return null;
  const alone = first.cause === 'simplyEarly' && first.probability >= 0.85;
  return (
    <View style={{ gap: 6 }}>
      <SectionHead title="What holds it back" />
      {alone ? (
        <Words as="body">Nothing that the readings show. It goes as such tanks go.</Words>
      ) : (
        stall.slice(0, 4).map((cause) => (
          <Words key={cause.cause} as="body">
            {`**${CAUSE_TITLES[cause.cause]}, ${Math.max(1, Math.round(cause.probability * 10))} in 10.** ${cause.evidence} ${cause.remedy}`}
          </Words>
        ))
      )}
      {forecast.remarks.map((remark) => (
        <Words key={remark} as="soft">
          {remark}
        </Words>
      ))}
    </View>
  );
}
