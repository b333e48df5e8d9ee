import { useRouter } from 'expo-router';
import type { RevisionOf } from '@/core/records/schema/revision';
import { to } from '@/frame/addresses';
import { endConnection } from '@/store/connections';
import { useAppDispatch } from '@/store/hooks';
import { LinkButton } from '@/ui/Press';

/** Reads an instrument no longer; what it measured stays. */
export function EndConnection({ connection }: { connection: RevisionOf<'connection'> }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  return (
    <LinkButton
      label="Stop reading this instrument"
      onPress={() => {
        void dispatch(endConnection(connection));
        router.replace(to.connected);
      }}
    />
  );
}
