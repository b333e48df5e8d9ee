import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { useWide } from '@/ui/useWide';

/** Whether there is the room of a wide screen, which a sheet of paper has whatever it is printed from. */
export function useOnPaper(): boolean {
  const wide = useWide();
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    // At once: the browser takes the page as it stands when this returns.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return wide || printing;
}
