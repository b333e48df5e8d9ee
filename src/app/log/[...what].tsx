import { useLocalSearchParams } from 'expo-router';
import { EntryScreen } from '@/features/log/EntryScreen';
import { NewEntryScreen } from '@/features/log/NewEntryScreen';

// One route for all kinds of entry, so that what they share stays out of the first load.
export default function Log() {
  const { what, ...given } = useLocalSearchParams<{ what: string[] } & Record<string, string>>();
  const [kind = 'test', id] = what;
  if (kind === 'entry' && id !== undefined) return <EntryScreen id={id} />;
  return <NewEntryScreen path={kind} given={given} />;
}
