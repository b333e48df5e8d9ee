import { Redirect, useGlobalSearchParams, usePathname } from 'expo-router';
import { NotFoundScreen } from '@/features/shell/NotFoundScreen';
import { movedTo } from '@/frame/moved';

export default function NotFound() {
  const path = usePathname();
  const { 'not-found': _path, ...given } = useGlobalSearchParams<Record<string, string>>();
  const query = new URLSearchParams(given).toString();
  const now = movedTo(query === '' ? path : `${path}?${query}`);
  return now === null ? <NotFoundScreen /> : <Redirect href={now} />;
}
