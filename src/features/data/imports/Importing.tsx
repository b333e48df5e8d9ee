import { View } from 'react-native';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';
import { ImportSheet } from './ImportSheet';
import type { useImport } from './useImport';

/** How far the taking in of a file is, what was wrong with it, and what it would bring. */
export function Importing({ imports }: { imports: ReturnType<typeof useImport> }) {
  const { working, stop, refusal, found, close, run } = imports;
  return (
    <>
      {working ? (
        <Words as="body" live>
          {`${working}.`}
        </Words>
      ) : null}
      {stop ? <LinkButton label="Stop" onPress={stop} /> : null}
      {refusal ? (
        <View role="alert">
          <Remark tone="watch" title={refusal.title}>
            {refusal.text}
          </Remark>
        </View>
      ) : null}
      {found ? <ImportSheet found={found} onClose={close} onImport={() => run(found)} /> : null}
    </>
  );
}
