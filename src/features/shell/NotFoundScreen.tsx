import { useRouter } from 'expo-router';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';

export function NotFoundScreen() {
  const router = useRouter();
  return (
    <Screen>
      <Opening title="There is nothing at this address.">
        Your log is safe; the address was mistyped, or names a place that is not there.
      </Opening>
      <Button kind="primary" label="Go to Today" onPress={() => router.replace('/')} />
    </Screen>
  );
}
