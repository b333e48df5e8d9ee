import { liveHead } from '@/core/records/log';
import { useLeave } from '@/frame/useLeave';
import { useAppSelector } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Opening, Screen } from '@/ui/Screen';
import { KIND_FORMS } from './forms';

/** Opens an entry of any kind for correction. */
export function EntryScreen({ id }: { id: string }) {
  const head = useAppSelector((state) => liveHead(selectLog(state), id, 'entry'));
  const leave = useLeave();
  if (!head) {
    return (
      <Screen>
        <Opening title="This entry is gone.">
          It was removed, or belongs to another log. Data shows what was changed lately and can take
          it back.
        </Opening>
        <Button label="Back" onPress={leave} />
      </Screen>
    );
  }
  const { Edit } = KIND_FORMS[head.body.kind];
  return <Edit key={head.id} editing={head} />;
}
