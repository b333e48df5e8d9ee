import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { dayWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { useCopy } from '@/frame/useCopy';
import { useAppSelector } from '@/store/hooks';
import { selectNow, selectZone } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';

/** Says how much is in no copy, once that is much and long ago. */
export function CopyReminder() {
  const router = useRouter();
  const { changes, at, due, later } = useCopy();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  if (!due) return null;
  const since = at === null ? '' : ` since the copy of ${dayWords(at, zone, now)}`;
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <Remark title="Your log is in this browser alone">
        {`${countOf(changes, 'change')}${since} would be lost with it.`}
      </Remark>
      <LinkButton label="Make a copy" onPress={() => router.push(to.data)} />
      <LinkButton soft label="Not this week" onPress={later} />
    </View>
  );
}
