import { useEffect, useState } from 'react';
import { findPhoto } from '@/store/photos';
import { useAppDispatch } from '@/store/hooks';

/** A photo by its id: its text, null while it is looked for, or that it is not in this browser. */
export function usePhoto(id: string): string | 'missing' | null {
  const dispatch = useAppDispatch();
  const [found, setFound] = useState<{ id: string; text: string | null } | null>(null);
  useEffect(() => {
    let current = true;
    void dispatch(findPhoto(id)).then((text) => {
      if (current) setFound({ id, text });
    });
    return () => {
      current = false;
    };
  }, [dispatch, id]);
  return found?.id === id ? (found.text ?? 'missing') : null;
}
