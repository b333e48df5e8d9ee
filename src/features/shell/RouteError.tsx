import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** In place of a screen that failed: what is safe, and the way on. */
export function RouteError({ error, retry }: { error: Error; retry: () => Promise<void> }) {
  return (
    <Screen>
      <Opening title="This screen did not open.">
        What you saved is safe, and what you typed is kept as a draft. The connection may have
        dropped while a part of the app was being fetched.
      </Opening>
      <Button kind="primary" label="Try again" onPress={() => void retry()} />
      <Button label="Reload the page" onPress={() => location.reload()} />
      <Words as="soft">{error.message}</Words>
    </Screen>
  );
}
