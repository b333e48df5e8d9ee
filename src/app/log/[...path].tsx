import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const EntryScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).EntryScreen,
}));
const NewEntryScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).NewEntryScreen,
}));

export default function Log() {
  const { path, ...given } = useLocalSearchParams<{ path: string[] } & Record<string, string>>();
  const [kind = 'test', id] = path;
  if (kind === 'entry' && id !== undefined) return <EntryScreen id={id} />;
  return <NewEntryScreen path={kind} given={given} />;
}
