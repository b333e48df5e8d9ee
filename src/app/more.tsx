import { MoreScreen } from '@/features/shell/MoreScreen';

export default function More() {
  return <MoreScreen />;
}
