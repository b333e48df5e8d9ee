import { useState } from 'react';
import { LinkButton } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** Opens the working of a part of the screen: inputs, the sum in words, assumptions, what changes it. */
export function HowSheet({ title, words }: { title: string; words: readonly string[] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <LinkButton
        soft
        label="How it is worked out"
        accessibleName={`${title}: how it is worked out`}
        onPress={() => setOpen(true)}
      />
      {open ? (
        <Sheet title={title} open onClose={() => setOpen(false)}>
          {words.map((paragraph) => (
            <Words key={paragraph} as="body">
              {paragraph}
            </Words>
          ))}
        </Sheet>
      ) : null}
    </>
  );
}
