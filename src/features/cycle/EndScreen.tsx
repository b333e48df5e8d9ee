import { useRouter } from 'expo-router';
import { useState } from 'react';
import {
  END_CHANGES,
  endSteps,
  type ChangeSum,
  type EndChange,
} from '@/core/cycle/dosing/endSteps';
import { hasAnimals } from '@/core/cycle/doseAdvice';
import { noDoseBecause } from '@/core/cycle/verdict/outstanding';
import { riseWords } from '@/core/cycle/doseSize';
import { formatIn, fromCanonical } from '@/core/parameters/convert';
import { countOf, formatPlain, formatSignificant } from '@/core/units/format';
import { selectForecast, selectHistory, selectVerdict } from '@/store/inView';
import { selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { Choice } from '@/ui/Choice';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

const CHANGE_WORDS: Record<EndChange, { name: string; trades: string }> = {
  toGoal: {
    name: 'To 10 ppm NO3',
    trades: 'Enough for the first fish, and some left for algae-eaters and corals to come.',
  },
  all: {
    name: 'All of it',
    trades:
      'Takes die-off and phosphate out as well, for the most salt. Rock stays wet, or what lives on it dies.',
  },
  half: { name: 'Half', trades: 'A middle way where nobody tested nitrate.' },
  none: {
    name: 'None',
    trades:
      'Nothing bought and nothing moved; nitrate stays for algae to eat, so expect a longer ugly stage.',
  },
};

function changeNote(sum: ChangeSum, nitrateNow: number | null): string {
  const ppm = (n: number) => formatSignificant(fromCanonical(n, 'nitrate NO3'), 2);
  const nitrate =
    nitrateNow === null || sum.nitrateAfter === null
      ? 'Test nitrate before it.'
      : sum.share === 0
        ? `Nitrate stays at about ${ppm(nitrateNow)} ppm NO3.`
        : `${formatPlain(sum.share * 100, 0)} % brings nitrate from about ${ppm(nitrateNow)} to ${ppm(sum.nitrateAfter)} ppm NO3.`;
  const salt =
    sum.share === 0
      ? ''
      : ` About ${formatSignificant(sum.saltGrams / 1000, 2)} kg of salt at 38 g/L for 35 ppt. Match temperature and salinity first. The filter bacteria sit on rock and sand and stay.`;
  return nitrate + salt;
}

/** What is done between the end of the cycle and the first fish, with the sums for this tank. */
export function EndScreen() {
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const forecast = useAppSelector(selectForecast);
  const now = useAppSelector(selectNow);
  const { volumeUnit } = useAppSelector(selectSettings);
  const router = useRouter();
  const [choice, setChoice] = useState<EndChange>('toGoal');
  if (!history || !verdict) return null;
  const { changes, nitrateNow, alkalinity, feed } = endSteps(history, forecast, now);
  const change = changes[choice];
  return (
    <Screen head={<BackHead title="At the end" aside={history.tank.name} />}>
      <Opening
        title={
          verdict.cycled ? 'The cycle is done; now the last steps.' : 'For when the cycle is done.'
        }
      >
        In this order, and retest after.
      </Opening>
      <Choice
        label="How much water to change, since keepers differ"
        value={choice}
        onChange={setChoice}
        options={END_CHANGES.map((value) => ({ value, label: CHANGE_WORDS[value].name }))}
      />
      <Words as="soft">{CHANGE_WORDS[choice].trades}</Words>
      <SectionHead title="In order" />
      <Row
        title={
          change.share === 0
            ? '1. Change no water'
            : `1. Change ${formatIn(change.litres, volumeUnit, 0)} of water`
        }
        note={changeNote(change, nitrateNow)}
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
            ? `About ${formatSignificant(alkalinity.grams, 2)} g of baking soda in all, over ${countOf(alkalinity.days, 'day')}: at most 1.4 dKH a day, dissolved in fresh water first. After a large change test it first. A bought buffer goes by its label.`
            : 'Test it after the change; if it is under 8 dKH raise it by 1.4 dKH a day at most.'
        }
        onPress={() => router.push('/log/dose')}
      />
      <Row
        title="3. Skimmer on"
        note="Start with its water line low: new ones overflow for a week or two. Renew carbon and floss."
      />
      <Row
        title={
          hasAnimals(history)
            ? '4. Add no more ammonia'
            : `4. Feed the filter bacteria ${riseWords(history, feed.rise)} every ${feed.everyDays} days`
        }
        note={
          noDoseBecause(history, now) ??
          'Half a dose keeps them alive until there are fish: unfed, a third of them is lost each week. Stop two days before the first fish, and test both at zero.'
        }
        onPress={() => router.push('/cycle/dose')}
      />
      <Row
        title="5. Lid on, heater verified, lights low"
        note="Every new fish jumps. Phosphate from what died off is usual now; do not chase it to zero."
        onPress={() => router.push(`/tanks/${history.tankId}`)}
      />
      <Row
        title="6. Test ammonia and nitrite the day after"
        note="A large change hardly touches the filter bacteria, but a test costs little."
        onPress={() => router.push('/log/test')}
      />
      <Remark tone="caution" title="Higher pH frees ammonia">
        If any ammonia is left, new water of a higher pH makes more of it free. Change only when
        ammonia reads zero, or match pH. Unplug heater and pumps before the water line falls below
        them.
      </Remark>
    </Screen>
  );
}
