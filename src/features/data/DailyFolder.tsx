import { useEffect, useEffectEvent } from 'react';
import { View } from 'react-native';
import { useAppSelector } from '@/store/hooks';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { useFolder } from './useFolder';

/** After a change, so long nothing is written: more of them may follow. */
const QUIET_MS = 60_000;

/** Renews the folder of copies once changes have settled. */
export function DailyFolder() {
  const { folder, dropped, renew } = useFolder();
  const size = useAppSelector((state) => state.log.size);
  const behind = folder !== null && !dropped && folder.size !== size && size > 0;
  const go = useEffectEvent(() => void renew());
  useEffect(() => {
    if (!behind) return;
    const timer = setTimeout(go, QUIET_MS);
    return () => clearTimeout(timer);
  }, [behind, size]);
  return null;
}

/** Asks again on a tap where the browser dropped the folder, and there is something to write. */
export function FolderReminder() {
  const { folder, dropped, allow } = useFolder();
  const size = useAppSelector((state) => state.log.size);
  if (!folder || !dropped || folder.size === size) return null;
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <Remark title={`The copies in ${folder.name} are behind`}>
        The browser asks again before it lets Zoarium write there.
      </Remark>
      <LinkButton label={`Go on with ${folder.name}`} onPress={() => void allow()} />
    </View>
  );
}
