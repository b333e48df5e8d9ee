import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { timeWords, weekdayWords } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { useAppSelector } from '@/store/hooks';
import { selectRun } from '@/store/practice';
import { selectNow } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { color, space } from '@/ui/tokens';
import { useNarrow } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { ClockSheet } from './ClockSheet';
import { LookSheet } from './LookSheet';
import { usePracticeDay } from './useClock';

const styles = StyleSheet.create({
  band: {
    flexDirection: 'row',
    alignItems: 'center',
    flexWrap: 'wrap',
    columnGap: space.m,
    paddingHorizontal: 20,
    borderBottomWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.shoal1,
  },
  narrow: { columnGap: space.s, paddingHorizontal: space.m },
});

/** Says that the tank is a made-up one, on which day of its life, and carries its clock. */
export function PracticeBand() {
  const router = useRouter();
  const run = useAppSelector(selectRun);
  const now = useAppSelector(selectNow);
  const day = usePracticeDay();
  const narrow = useNarrow();
  const [sheet, setSheet] = useState<'clock' | 'look' | null>(null);
  return (
    <View style={[styles.band, narrow && styles.narrow]}>
      <LinkButton
        soft
        label={run ? `Practice, day ${day}` : 'Practice'}
        onPress={() => router.push(to.practice)}
      />
      <View style={{ flexGrow: 1 }}>
        {run ? (
          <Words as="soft">
            {`${weekdayWords(now, run.zone).slice(0, 3)} ${timeWords(now, run.zone)}`}
          </Words>
        ) : null}
      </View>
      {run ? (
        <>
          <LinkButton
            soft
            label={narrow ? 'Clock' : 'Move the clock'}
            accessibleName="Move the clock"
            onPress={() => setSheet('clock')}
          />
          <LinkButton
            soft
            label="Look"
            accessibleName="Look at the tank"
            onPress={() => setSheet('look')}
          />
        </>
      ) : null}
      {sheet === 'clock' ? <ClockSheet onClose={() => setSheet(null)} /> : null}
      {sheet === 'look' ? <LookSheet onClose={() => setSheet(null)} /> : null}
    </View>
  );
}
