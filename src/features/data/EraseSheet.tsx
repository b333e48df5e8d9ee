import { useState } from 'react';
import { Button } from '@/ui/Press';
import { Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Sheet } from '@/ui/Sheet';

/** Asks in earnest before the log goes. */
export function EraseSheet({
  onErase,
  onExport,
  onClose,
}: {
  onErase: (copiesToo: boolean) => Promise<void>;
  onExport: () => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const [copiesToo, setCopiesToo] = useState(false);
  return (
    <Sheet title="Erase this log" open onClose={onClose}>
      <Remark tone="danger" title="This has no undo">
        Every tank, instrument, entry and photo goes from this browser. Exported files bring them
        back, and for a while the copies within this browser; photos only their own file.
      </Remark>
      <Button label="Export first" onPress={onExport} />
      <Tick
        label="The copies within this browser too"
        note="Then nothing here brings it back."
        value={copiesToo}
        onChange={setCopiesToo}
      />
      <Field label="Type erase to go on" value={typed} onChange={setTyped} />
      <Button
        kind="danger"
        label="Erase everything"
        disabled={typed.trim().toLowerCase() !== 'erase'}
        onPress={() => void onErase(copiesToo)}
      />
    </Sheet>
  );
}
