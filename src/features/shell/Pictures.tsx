import { useState, type ComponentType, type ReactNode } from 'react';
import type { Drawn } from '@/core/pictures/picture';
import { PictureTaker } from '@/ui/Frame';

/** Lets every drawing within leave as a picture. */
export function Pictures({
  Sheet,
  children,
}: {
  /** What shows a drawing as it will look alone, fetched with the first of them. */
  Sheet: ComponentType<{ drawn: Drawn; title: string; onClose: () => void }>;
  children: ReactNode;
}) {
  const [taken, setTaken] = useState<{ drawn: Drawn; title: string } | null>(null);
  const take = (drawn: Drawn) => setTaken({ drawn, title: titleInView() });
  return (
    <PictureTaker value={take}>
      {children}
      {taken ? <Sheet {...taken} onClose={() => setTaken(null)} /> : null}
    </PictureTaker>
  );
}

/** What the screen in view answers: places that are kept have theirs too, and are not seen. */
function titleInView(): string {
  const titles = [...document.querySelectorAll<HTMLElement>('[role="main"] h1')];
  return titles.find((title) => title.offsetParent !== null)?.innerText.trim() ?? '';
}
