import { useRouter } from 'expo-router';
import { to } from '@/frame/addresses';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** In place of a screen that failed: what is safe, and the way on. */
export function ScreenError({ error, retry }: { error: Error; retry: () => void }) {
  const router = useRouter();
  return (
    <Screen>
      <Opening title="This screen did not open.">
        What you saved is safe, and what you typed is kept as a draft. Data exports the whole log
        and takes back what was changed last, should that be the reason.
      </Opening>
      <Button kind="primary" label="Try again" onPress={retry} />
      <Button label="Data: export and undo" onPress={() => router.push(to.data)} />
      <Button label="Reload the page" onPress={() => location.reload()} />
      <Words as="soft">{error.message}</Words>
    </Screen>
  );
}

/** The same where a whole route failed to load. */
export function RouteError({ error, retry }: { error: Error; retry: () => Promise<void> }) {
  return <ScreenError error={error} retry={() => void retry()} />;
}
