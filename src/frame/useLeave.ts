import { useRouter } from 'expo-router';

/** Back to where one came from, or to Today when one came from nowhere. */
export function useLeave(): () => void {
  const router = useRouter();
  return () => {
    if (router.canGoBack()) router.back();
    else router.replace('/');
  };
}
