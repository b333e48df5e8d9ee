import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { to } from '@/frame/addresses';
import { reopen, whenBack } from '@/frame/cutOff';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** In place of a screen that failed: what is safe, and the way on. */
export function ScreenError({ error, retry }: { error: Error; retry: () => void }) {
  const router = useRouter();
  if (wasNotFetched(error)) return <NoNetwork />;
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

/** A part of the app that is fetched when it is first needed did not come. */
const wasNotFetched = (error: Error) =>
  error.name === 'AsyncRequireError' ||
  /^Loading module .* failed|^Failed to fetch/.test(error.message);

/** In place of a screen that the network did not bring: it opens by itself once it can be fetched. */
function NoNetwork() {
  useEffect(() => whenBack(reopen), []);
  return (
    <Screen>
      <Opening title="This screen did not open.">
        The network is gone, and this screen was never fetched on this device. It opens by itself as
        soon as the network is back. What you saved is safe, and what you typed is kept as a draft.
      </Opening>
      <Button kind="primary" label="Try again now" onPress={() => location.reload()} />
    </Screen>
  );
}

/** The same where a whole route failed to load. */
export function RouteError({ error, retry }: { error: Error; retry: () => Promise<void> }) {
  return <ScreenError error={error} retry={() => void retry()} />;
}
