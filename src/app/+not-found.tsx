import { NotFoundScreen } from '@/features/shell/NotFoundScreen';

export default function NotFound() {
  return <NotFoundScreen />;
}
