import { useLocalSearchParams } from 'expo-router';
import { formScreens, practice } from '@/features/pieces';
import { PracticeKit } from '@/frame/practiceKit';
import { useAppSelector } from '@/store/hooks';
import { besideOf, partOf } from '@/ui/piece';

const EntryScreen = partOf(formScreens, 'EntryScreen');
const NewEntryScreen = partOf(formScreens, 'NewEntryScreen');
const KitShows = besideOf(practice, 'KitShows');

export default function Log() {
  const { path, ...given } = useLocalSearchParams<{ path: string[] } & Record<string, string>>();
  const practising = useAppSelector(({ session }) => session.which === 'practice');
  const [kind = 'test', id] = path;
  if (kind === 'entry' && id !== undefined) return <EntryScreen id={id} />;
  return (
    <PracticeKit.Provider value={practising ? KitShows : null}>
      <NewEntryScreen path={kind} given={given} />
    </PracticeKit.Provider>
  );
}
