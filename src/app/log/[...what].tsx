import { Redirect, useLocalSearchParams } from 'expo-router';
import { DoseScreen } from '@/features/log/DoseScreen';
import { EntryScreen } from '@/features/log/EntryScreen';
import { HappeningScreen } from '@/features/log/HappeningScreen';
import { NoteScreen } from '@/features/log/NoteScreen';
import { TestSheetScreen } from '@/features/log/TestSheetScreen';
import { WaterChangeScreen } from '@/features/log/WaterChangeScreen';

// One route for all kinds of entry, so that what they share stays out of the first load.
export default function Log() {
  const [kind, id] = useLocalSearchParams<{ what: string[] }>().what;
  switch (kind) {
    case 'test':
      return <TestSheetScreen />;
    case 'dose':
      return <DoseScreen />;
    case 'water-change':
      return <WaterChangeScreen />;
    case 'happening':
      return <HappeningScreen />;
    case 'note':
      return <NoteScreen />;
    case 'entry':
      if (id !== undefined) return <EntryScreen id={id} />;
  }
  return <Redirect href="/log/test" />;
}
