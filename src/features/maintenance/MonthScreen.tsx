import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { moneyWords } from '@/core/costs/money';
import { formatIn } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { unitFor } from '@/core/records/schema/settings';
import { monthReview, monthSentence, type ParameterMonth } from '@/core/review/month';
import { shiftedMonth } from '@/core/time/month';
import { monthWords } from '@/core/time/calendar';
import { dayOf } from '@/core/time/zone';
import { spanOfMinutes } from '@/core/units/duration';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { holdingWords } from '@/core/water/stabilityWords';
import { to } from '@/frame/addresses';
import { TankHead } from '@/frame/TankHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectBands, selectNow, selectSettings } from '@/store/selectors';
import { Button, ButtonRow } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Line } from './Line';

/** A month on one screen and on one page: what changed, drifted, was lost and added, and what tests cost and told. */
export function MonthScreen({ month: asked }: { month: string }) {
  const router = useRouter();
  const measured = useMeasures();
  const history = useAppSelector(selectHistory);
  const bands = useAppSelector(selectBands);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  if (!history) return null;
  const current = dayOf(now, history.tank.zone).slice(0, 7);
  const month = /^\d{4}-(0[1-9]|1[0-2])$/.test(asked) && asked <= current ? asked : current;
  const review = monthReview(history, bands, month, now);
  const sentence = monthSentence(review);
  const { lost, added, parameters } = review;
  const outside = parameters.filter((one) => (one.outside ?? 0) > 0);
  return (
    <Screen
      head={<TankHead place="Month" />}
      aside={
        <View>
          <SectionHead title="What the tests cost and told" />
          <Line
            title={countOf(review.tests, 'test')}
            text={`About ${spanOfMinutes(review.testMinutes)} at the vials${review.paidForTests > 0 ? `, ${moneyWords(review.paidForTests, settings.currency)} for kits` : ''}.`}
          />
          <Line
            title="Told"
            text={
              review.tests === 0
                ? 'Nothing was tested.'
                : outside.length === 0
                  ? 'Every reading lay within its band.'
                  : `${listWords(outside.map((one) => `${PARAMETERS[one.parameter].inSentence} outside its band ${one.outside} of ${one.tests} times`))}.`
            }
          />
          <SectionHead title="Chores and costs" />
          <Line
            title="Chores"
            text={`${review.done} said to be done${review.skipped > 0 ? `, ${review.skipped} left out` : ''}.`}
          />
          <Line
            title="Costs"
            text={
              review.paid === 0 ? 'None logged.' : `${moneyWords(review.paid, settings.currency)}.`
            }
          />
        </View>
      }
    >
      <Opening title={sentence.title}>
        {`${monthWords(`${month}-01`)}: ${sentence.detail}${review.over ? '' : ' The month is not over.'}`}
      </Opening>
      <ButtonRow>
        <Button
          label={monthWords(`${shiftedMonth(month, -1)}-01`)}
          onPress={() => router.replace(to.month(shiftedMonth(month, -1)))}
        />
        {month < current ? (
          <Button
            label={monthWords(`${shiftedMonth(month, 1)}-01`)}
            onPress={() => router.replace(to.month(shiftedMonth(month, 1)))}
          />
        ) : null}
        <Button label="Print it" onPress={() => window.print()} />
      </ButtonRow>
      <View>
        <SectionHead
          title="Water"
          end={parameters.length === 0 ? 'not tested' : 'the middle of the month'}
        />
        {parameters.map((one) => (
          <Parameter key={one.parameter} one={one} />
        ))}
      </View>
      <View>
        <SectionHead title="What changed" />
        <Line
          title="Water changes"
          text={
            review.changes === 0
              ? 'None logged.'
              : measured(
                  `${countOf(review.changes, 'change')}, ${formatPlain(review.changedLitres, 0)} L in all, ${formatPlain((100 * review.changedLitres) / history.netLitres, 0)} % of the water.`,
                )
          }
        />
        <Line title="Came in" text={added.length === 0 ? 'Nobody.' : `${listWords(added)}.`} />
        <Line title="Lost" text={lost.length === 0 ? 'Nobody.' : `${listWords(lost)}.`} />
      </View>
    </Screen>
  );
}

function Parameter({ one }: { one: ParameterMonth }) {
  const settings = useAppSelector(selectSettings);
  const unit = unitFor(settings, one.parameter);
  const note = [
    countOf(one.tests, 'test'),
    one.outside === null
      ? ''
      : one.outside > 0
        ? `${one.outside} outside the band`
        : 'all within the band',
    one.stability ? holdingWords(one.stability, one.parameter, one.middle, unit) : '',
  ];
  return (
    <Row
      title={PARAMETERS[one.parameter].name}
      note={note.filter(Boolean).join(', ')}
      end={formatIn(one.middle, unit)}
    />
  );
}
