import { useState } from 'react';
import { Button, ButtonRow } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** The way out of a run before its end, which asks: a second tap on a step must not end all of it. */
export function StopIt({
  name,
  busy,
  onStop,
}: {
  name: string;
  busy: boolean;
  onStop: () => void;
}) {
  const [asking, setAsking] = useState(false);
  return (
    <>
      <Button disabled={busy} label="Stop it" onPress={() => setAsking(true)} />
      <Sheet title={`Stop “${name}”?`} open={asking} onClose={() => setAsking(false)}>
        <Words as="body">
          Its clocks end and it leaves Today. What its steps noted is kept with it, and nothing more
          is logged. It can be begun again at any time.
        </Words>
        <ButtonRow>
          <Button kind="primary" label="Go on with it" onPress={() => setAsking(false)} />
          <Button
            kind="danger"
            label="Stop it now"
            onPress={() => {
              setAsking(false);
              onStop();
            }}
          />
        </ButtonRow>
      </Sheet>
    </>
  );
}
