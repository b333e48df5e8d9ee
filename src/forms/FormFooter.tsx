import type { ReactNode } from 'react';
import { Footer } from '@/ui/Footer';
import { Button } from '@/ui/Press';

/** The end of a form: what drops it, what keeps it, and what else may stand before them. */
export function FormFooter({
  record,
  save,
  onSave,
  onLeave,
  before,
}: {
  record: { busy: boolean; discard: () => void };
  /** What the button that saves says. */
  save: string;
  onSave: () => Promise<void>;
  onLeave: () => void;
  before?: ReactNode;
}) {
  return (
    <Footer>
      {before}
      <Button
        label="Cancel"
        onPress={() => {
          record.discard();
          onLeave();
        }}
      />
      <Button
        kind="primary"
        label={save}
        disabled={record.busy}
        onPress={() => void onSave()}
        style={{ flex: 1 }}
      />
    </Footer>
  );
}
