import { keysOfAct, type Act } from '@/core/records/acts';
import { useAppDispatch, useAppStore } from '@/store/hooks';
import { undoBrought } from '@/store/brought';
import { undoKeys } from '@/store/record';
import { selectLog } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { Row } from '@/ui/Row';

/** One act with its undo. */
export function ChangeRow({ act, words, note }: { act: Act; words: string; note: string }) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const undo = () =>
    void dispatch(undoKeys([...keysOfAct(selectLog(store.getState()), act.actId)]));
  return <Undoable words={words} note={note} onUndo={undo} />;
}

/** What a file brought in, with its undo. */
export function BroughtRow({ id, words, note }: { id: string; words: string; note: string }) {
  const dispatch = useAppDispatch();
  return <Undoable words={words} note={note} onUndo={() => void dispatch(undoBrought(id))} />;
}

function Undoable(props: { words: string; note: string; onUndo: () => void }) {
  const { words, note, onUndo } = props;
  return (
    <Row
      title={words}
      note={note}
      end={<LinkButton soft label="Undo" accessibleName={`Undo: ${words}`} onPress={onUndo} />}
    />
  );
}
