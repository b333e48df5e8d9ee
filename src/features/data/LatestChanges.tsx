import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { momentWords } from '@/core/time/words';
import { to } from '@/frame/addresses';
import { useAppSelector } from '@/store/hooks';
import { selectLog, selectNow, selectZone } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { ChangeRow } from './ChangeRow';
import { keepersActs } from './keepersActs';
import { useActWords } from './useActWords';

const SHOWN = 15;

/** What was changed last, each with its undo, and the way to all of it. */
export function LatestChanges() {
  const router = useRouter();
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const words = useActWords();
  const acts = useMemo(() => keepersActs(log), [log]);
  return (
    <View>
      <SectionHead title="Lately" end="each can be undone" />
      {acts.slice(0, SHOWN).map((act) => (
        <ChangeRow
          key={act.actId}
          act={act}
          words={words(act)}
          note={momentWords(act.recordedAt, zone, now)}
        />
      ))}
      {acts.length > SHOWN ? (
        <LinkButton label="All changes" onPress={() => router.push(to.changes)} />
      ) : null}
    </View>
  );
}
