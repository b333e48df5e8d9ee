import { headOf, isType } from '@/core/records/log';
import { selectLog } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Opening, Screen } from '@/ui/Screen';
import { Button } from '@/ui/Press';
import { DoseScreen } from './DoseScreen';
import { HappeningScreen } from './HappeningScreen';
import { NoteScreen } from './NoteScreen';
import { ReadingEditor } from './ReadingEditor';
import { useLeave } from '@/shared/useLeave';
import { WaterChangeScreen } from './WaterChangeScreen';

/** Opens an entry of any kind for correction. */
export function EntryScreen({ id }: { id: string }) {
  const head = useAppSelector((state) => headOf(selectLog(state), id));
  const leave = useLeave();
  if (!head || !isType(head, 'entry') || head.deleted) {
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
  switch (head.body.kind) {
    case 'reading':
      return <ReadingEditor editing={head} />;
    case 'dose':
      return <DoseScreen editing={head} />;
    case 'waterChange':
      return <WaterChangeScreen editing={head} />;
    case 'note':
      return <NoteScreen editing={head} />;
    default:
      return <HappeningScreen editing={head} />;
  }
}
