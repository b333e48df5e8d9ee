import { useRouter } from 'expo-router';
import { endSteps } from '@/core/cycle/dosing/endSteps';
import { formatIn } from '@/core/parameters/convert';
import { formatPlain, formatSignificant } from '@/core/units/format';
import { selectForecast, selectHistory, selectSettings, selectVerdict } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { BackHead } from '@/shared/BackHead';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';

/** What is done between the end of the cycle and the first fish, with the sums for this tank. */
export function EndScreen() {
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const forecast = useAppSelector(selectForecast);
  const { volumeUnit } = useAppSelector(selectSettings);
  const router = useRouter();
  if (!history || !verdict) return null;
  const { change, alkalinity, feed } = endSteps(history, forecast);
  const toNo3 = (n: number) => formatSignificant((n * 62.004) / 14.007, 2);
  return (
    <Screen head={<BackHead title="At the end" aside={history.tank.name} />}>
      <Opening
        title={
          verdict.cycled ? 'The cycle is done; now the last steps.' : 'For when the cycle is done.'
        }
      >
        In this order, and retest after. Keepers differ on the water change: all of it, some, or
        none.
      </Opening>
      <SectionHead title="In order" />
      <Row
        title={
          change
            ? `1. Change ${formatIn(change.litres, volumeUnit, 0)} of water`
            : '1. Test nitrate, then change water'
        }
        note={
          change
            ? `${formatPlain(change.share * 100, 0)} % brings nitrate from about ${toNo3(change.nitrateNow)} to ${toNo3(change.nitrateAfter)} ppm. Match temperature and salinity first. The colony sits on rock and sand and stays.`
            : 'The size of the change follows from it.'
        }
        onPress={() => router.push('/log/water-change')}
      />
      <Row
        title={
          alkalinity
            ? `2. Raise alkalinity to ${formatPlain(alkalinity.goal, 1)} dKH`
            : '2. Alkalinity'
        }
        note={
          alkalinity
            ? `About ${formatSignificant(alkalinity.grams, 2)} g of baking soda in all, over ${alkalinity.days} ${alkalinity.days === 1 ? 'day' : 'days'}: at most 1.4 dKH a day, dissolved in fresh water first. A bought buffer goes by its label.`
            : 'Test it; if it is under 8 dKH raise it by 1.4 dKH a day at most.'
        }
        onPress={() => router.push('/log/dose')}
      />
      <Row
        title="3. Skimmer on"
        note="Start with its water line low: new ones overflow for a week or two. Renew carbon and floss."
      />
      <Row
        title={`4. Feed the colony ${formatPlain(feed.rise, 1)} ppm N every ${feed.everyDays} days`}
        note="Half a dose keeps it alive until there are fish: unfed it shrinks by a third a week. Stop two days before the first fish, and test both at zero."
        onPress={() => router.push('/cycle/dose')}
      />
      <Row
        title="5. Lid on, heater verified, lights low"
        note="Every new fish jumps. Phosphate from what died off is usual now; do not chase it to zero."
        onPress={() => router.push(`/tanks/${history.tankId}`)}
      />
      <Row
        title="6. Test ammonia and nitrite the day after"
        note="A large change hardly touches the colony, but a test costs little."
        onPress={() => router.push('/log/test')}
      />
      <Remark tone="caution" title="Higher pH frees ammonia">
        If any ammonia is left, new water of a higher pH makes more of it free. Change only when
        ammonia reads zero, or match pH.
      </Remark>
    </Screen>
  );
}
