import { useState } from 'react';
import { PROTOCOL, type Instrument } from '@/core/monitor/protocol';
import { InstrumentTrouble } from '@/storage/instruments';
import { pairInstrument } from '@/store/connections';
import { useAppDispatch, useTyped } from '@/store/hooks';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** Pairs an instrument by the six digits on its screen. */
export function PairSheet({
  instrument,
  tankId,
  tankName,
  onClose,
  onPaired,
}: {
  instrument: Instrument;
  tankId: string;
  tankName: string;
  onClose: () => void;
  onPaired: (id: string) => void;
}) {
  const dispatch = useAppDispatch();
  const [code, setCode, used] = useTyped(`pair/${instrument.id}`);
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const pair = async () => {
    if (!/^\d{6}$/.test(code.replace(/\s/g, ''))) {
      setError('The code has six digits.');
      return;
    }
    setBusy(true);
    try {
      const id = await dispatch(pairInstrument(instrument, code, tankId));
      used();
      if (id !== null) onPaired(id);
    } catch (trouble) {
      setError(trouble instanceof InstrumentTrouble ? trouble.message : 'It could not be paired.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <Sheet
      title={`Pair ${instrument.name.replace(/^[A-Z]/, (letter) => letter.toLowerCase())}`}
      open
      onClose={onClose}
    >
      <Words as="body">
        {`It stands at ${tankName}. Its own screen shows a code of six digits, good for ten minutes.`}
      </Words>
      {instrument.madeUp ? (
        <LinkButton
          label="Open its screen"
          onPress={() =>
            window.open(`/instruments/${PROTOCOL}/${instrument.id}/screen`, '_blank', 'noopener')
          }
        />
      ) : null}
      <Field
        label="Code on its screen"
        kind="number"
        value={code}
        {...(error === '' ? {} : { error })}
        onChange={(typed) => {
          setCode(typed);
          setError('');
        }}
        onSubmit={() => void pair()}
      />
      <Button kind="primary" label="Pair it" disabled={busy} onPress={() => void pair()} />
    </Sheet>
  );
}
