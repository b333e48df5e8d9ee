import { keysOfAct, type Act } from '@/core/records/acts';
import { useAppDispatch, useAppStore } from '@/store/hooks';
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
  return (
    <Row
      title={words}
      note={note}
      end={<LinkButton soft label="Undo" accessibleName={`Undo: ${words}`} onPress={undo} />}
    />
  );
}
