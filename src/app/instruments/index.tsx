import { InstrumentsScreen } from '@/features/instruments/InstrumentsScreen';

export default function Instruments() {
  return <InstrumentsScreen />;
}
