import { useLocalSearchParams } from 'expo-router';
import { formScreens } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const EntryScreen = partOf(formScreens, 'EntryScreen');
const NewEntryScreen = partOf(formScreens, 'NewEntryScreen');

export default function Log() {
  const { path, ...given } = useLocalSearchParams<{ path: string[] } & Record<string, string>>();
  const [kind = 'test', id] = path;
  if (kind === 'entry' && id !== undefined) return <EntryScreen id={id} />;
  return <NewEntryScreen path={kind} given={given} />;
}
