import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { challengeDose, usualDoseWords } from '@/core/cycle/doseSize';
import { conditionTestSession, nextTestSession } from '@/core/cycle/nextTestSession';
import { noDoseBecause } from '@/core/cycle/verdict/outstanding';
import type { TankHistory } from '@/core/history/tankHistory';
import { dateRangeInSentence, dateRangeWords } from '@/core/cycle/forecast/dates/rangeWords';
import type { Forecast } from '@/core/cycle/forecast/types';
import { dueWords } from '@/core/tasks/due';
import { PARAMETERS } from '@/core/parameters/registry';
import { daysBetween } from '@/core/time/zone';
import { ALKALINITY_PER_N } from '@/core/units/constants';
import { listWords } from '@/core/units/format';
import { useAppSelector } from '@/store/hooks';
import { selectBands } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { HowSheet } from './HowSheet';

const styles = StyleSheet.create({
  answer: {
    flexDirection: 'row',
    gap: space.m,
    paddingVertical: space.s,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
});

/** Where neither ammonia nor nitrite is to be tested: what else the verdict waits for. */
function ConditionsToTest({ history, now }: { history: TankHistory; now: number }) {
  const router = useRouter();
  const bands = useAppSelector(selectBands);
  const asked = conditionTestSession(history, bands, now);
  if (!asked) return null;
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="Next test worth doing" />
      <Words as="body">{asked.because}</Words>
      <LinkButton soft label="Log a test" onPress={() => router.push('/log/test')} />
    </View>
  );
}

/** The test worth its reagent, and what each answer would change. */
export function NextTest({
  history,
  forecast,
  zone,
  now,
}: {
  history: TankHistory;
  forecast: Forecast;
  zone: string;
  now: number;
}) {
  const router = useRouter();
  const bands = useAppSelector(selectBands);
  const { nextTest } = forecast;
  if (!nextTest) return forecast.fed ? <ConditionsToTest history={history} now={now} /> : null;
  const { also } = nextTestSession(nextTest, history, bands, now);
  const inDays = Math.max(0, daysBetween(now, nextTest.at, zone));
  const idle =
    nextTest.idle.length > 0
      ? `${listWords(nextTest.idle.map((p) => PARAMETERS[p].name))} would tell little new.`
      : '';
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="Next test worth doing" />
      <Words as="body">
        {`**${nextTest.parameters.length > 1 ? 'Both' : PARAMETERS[nextTest.parameter].name}, ${dueWords(inDays)}.** ${nextTest.because}`}
      </Words>
      {also.map((text) => (
        <Words key={text} as="body">
          {text}
        </Words>
      ))}
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
      <HowSheet
        title="Next test worth doing"
        words={[
          `Every test of the coming 14 days is played in the tanks that fit your ${forecast.readings} readings: for each step that could be read, how much of the spread of the ready date would be left.`,
          `This one is expected to take away ${Math.round(nextTest.gain * 100)} % of it. The earliest test with at least 70 % of the best is asked for, since waiting costs days too; under 12 % a test is not worth its reagent.`,
          'The chances beside the steps are the share of those tanks that would be read so, with the scatter and bias of your own kit. Once the date is known to about a tenth, it asks for the test that shows a zero.',
        ]}
      />
      <LinkButton soft label="Log a test" onPress={() => router.push('/log/test')} />
    </View>
  );
}

/** What becomes of it untouched, and what each change would be worth. */
export function IfYouDoNothing({
  history,
  forecast,
  zone,
  now,
}: {
  history: TankHistory;
  forecast: Forecast;
  zone: string;
  now: number;
}) {
  const [base, ...others] = forecast.whatIfs;
  if (!base) return null;
  const nitrite = dateRangeInSentence(base.nitriteClears, zone, now);
  const alkalinity = base.lowestAlkalinity;
  const usual = usualDoseWords(history);
  const takes = ALKALINITY_PER_N * challengeDose(history);
  const dosed =
    noDoseBecause(history, now) === null
      ? ` The next dose of ${usual} would take ${takes.toFixed(1)} of it.`
      : '';
  return (
    <View style={{ gap: 4 }}>
      <SectionHead title="If you do nothing" />
      <Words as="body">
        {`Nitrite clears ${nitrite}, and alkalinity goes down to about ${alkalinity.toFixed(1)} dKH on the way.${dosed}${alkalinity < 6.5 ? ' Filter bacteria slow below 6.5.' : ''}`}
      </Words>
      {others.map((what) => (
        <Words key={what.id} as="body">
          {`**${what.id === 'doseAgain' ? `Dose ${usual} today` : CHANGES[what.id].title}:** ready ${dateRangeWords(what.ready, zone)}${savedWords(what.daysSaved)}. ${CHANGES[what.id].note}`}
        </Words>
      ))}
      <HowSheet
        title="If you do nothing"
        words={[
          'The tanks that fit your readings are run on for 120 days as the water stands now, with nothing more dosed. Each change is played in the same tanks, so that only the change differs.',
          `Clearing a milligram of nitrogen from ammonium takes ${ALKALINITY_PER_N.toFixed(1)} dKH. A dose of ${usual} is ${challengeDose(history).toFixed(2)} mg of nitrogen in each litre.`,
          'Alkalinity goes up by at most 1.4 dKH a day to 8.5. A bottle is taken as anything from poor to good. Temperature and pH are taken to stay as last measured.',
        ]}
      />
    </View>
  );
}

const CHANGES: Record<Forecast['whatIfs'][number]['id'], { title: string; note: string }> = {
  doNothing: { title: 'Do nothing', note: '' },
  raiseAlkalinity: { title: 'Raise alkalinity to 8.5', note: 'By 1.4 dKH a day at most.' },
  warmTo26: { title: 'Warm to 26 °C', note: 'A degree a day is plenty.' },
  doseAgain: {
    title: 'Dose again today',
    note: 'It feeds the filter bacteria, and it has to be cleared again.',
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
  filterBacteriaHarmed: 'Chlorine, medicine, or another harm',
  kitSuspect: 'A kit that reads wrong',
  unloggedDose: 'Ammonia that was not logged',
  notTakenHold: 'Filter bacteria have not taken hold',
};

const STORY_WORDS: Record<Forecast['hypotheses'][number]['id'], string> = {
  nothingUnusual: 'nothing unusual',
  weakDose: 'a weak bottle of ammonia',
  deadBottle: 'a dead bottle of bacteria',
  filterBacteriaHarmed: 'harmed filter bacteria',
  unloggedDose: 'a dose not logged',
  ammoniaKit: 'the ammonia kit off',
  nitriteKit: 'the nitrite kit off',
  ammoniaKitDead: 'a dead ammonia kit',
  nitriteKitDead: 'a dead nitrite kit',
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
      <HowSheet
        title="What holds it back"
        words={[
          'Stories that the log does not tell are weighed against it: each foretells the readings, and the better it did, the likelier it is. Weights before any reading are judgement: a dead bottle 8 in 100, a weak bottle of ammonia 5, the others about 4.',
          `After your readings: ${forecast.hypotheses.map((h) => `${STORY_WORDS[h.id]} ${Math.round(h.probability * 100)} %`).join(', ')}.`,
          'Low alkalinity, cold and too much ammonia are played otherwise from the first day: what counts is the share of those tanks that would have cleared at least two days and an eighth of the way sooner.',
        ]}
      />
      {forecast.remarks.map((remark) => (
        <Words key={remark} as="soft">
          {remark}
        </Words>
      ))}
    </View>
  );
}
