import { Redirect, useLocalSearchParams } from 'expo-router';
import { ChallengeScreen } from '@/features/cycle/ChallengeScreen';
import { DoseToolScreen } from '@/features/cycle/DoseToolScreen';
import { EndScreen } from '@/features/cycle/EndScreen';
import { MethodScreen } from '@/features/cycle/MethodScreen';
import { ProgrammeScreen } from '@/features/cycle/ProgrammeScreen';

export default function CycleTools() {
  const [what] = useLocalSearchParams<{ what: string[] }>().what;
  switch (what) {
    case 'dose':
      return <DoseToolScreen />;
    case 'challenge':
      return <ChallengeScreen />;
    case 'method':
      return <MethodScreen />;
    case 'programme':
      return <ProgrammeScreen />;
    case 'end':
      return <EndScreen />;
  }
  return <Redirect href="/cycle" />;
}
