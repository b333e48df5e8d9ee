import { useState } from 'react';
import { View } from 'react-native';
import type { FreeAmmonia } from '@/core/meaning/freeAmmonia';
import type { Meaning } from '@/core/meaning/testSession';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';
import { FreeAmmoniaSheet } from './FreeAmmoniaSheet';

/** What the values mean, as they are entered. */
export function MeaningPanel({ meanings }: { meanings: readonly Meaning[] }) {
  const [opened, setOpened] = useState<FreeAmmonia | null>(null);
  return (
    <View style={{ gap: 12 }} aria-live="polite">
      {meanings.map((meaning) => (
        <Remark key={meaning.id} tone={meaning.tone}>
          <Words as="lead">{meaning.text}</Words>
          {meaning.detail ? <Words as="soft">{meaning.detail}</Words> : null}
          {meaning.freeAmmonia ? (
            <LinkButton
              soft
              label="How it is worked out"
              onPress={() => setOpened(meaning.freeAmmonia ?? null)}
            />
          ) : null}
        </Remark>
      ))}
      {opened ? <FreeAmmoniaSheet result={opened} onClose={() => setOpened(null)} /> : null}
    </View>
  );
}
