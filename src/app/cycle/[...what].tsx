import { Redirect, useLocalSearchParams } from 'expo-router';
import { cycleTools } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const ChallengeScreen = partOf(cycleTools, 'ChallengeScreen');
const DoseToolScreen = partOf(cycleTools, 'DoseToolScreen');
const EndScreen = partOf(cycleTools, 'EndScreen');
const MethodScreen = partOf(cycleTools, 'MethodScreen');
const ProgrammeScreen = partOf(cycleTools, 'ProgrammeScreen');

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
