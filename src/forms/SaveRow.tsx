import { Button, ButtonRow } from '@/ui/Press';

/** The end of a form within a screen: what keeps it, and what drops what was typed. */
export function SaveRow({
  record,
  save = 'Save it',
  leave = 'Leave it',
  onSave,
  onLeave,
}: {
  record: { busy: boolean; discard: () => void };
  save?: string;
  leave?: string;
  onSave: () => Promise<void>;
  onLeave: () => void;
}) {
  return (
    <ButtonRow>
      <Button kind="primary" label={save} disabled={record.busy} onPress={() => void onSave()} />
      <Button
        label={leave}
        onPress={() => {
          record.discard();
          onLeave();
        }}
      />
    </ButtonRow>
  );
}
