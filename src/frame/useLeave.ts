import { useRouter } from 'expo-router';

/**
 * Back to where one came from, or to another place when one came from nowhere.
 * @param otherwise Today, unless something nearer is known
 */
export function useLeave(otherwise = '/'): () => void {
  const router = useRouter();
  return () => {
    if (router.canGoBack()) router.back();
    else router.replace(otherwise);
  };
}
