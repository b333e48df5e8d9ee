import { TanksScreen } from '@/features/tank/TanksScreen';

export default function Tanks() {
  return <TanksScreen />;
}
