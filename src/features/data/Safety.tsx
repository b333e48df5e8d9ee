import { View } from 'react-native';
import { countOf } from '@/core/units/format';
import { download } from '@/frame/browserFiles';
import { useAppSelector, useAside } from '@/store/hooks';
import { selectSession } from '@/store/selectors';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** How safe what is saved is, in this browser. */
export function Safety() {
  const { persisted, flushed } = useAppSelector(selectSession);
  const kept =
    persisted === null
      ? 'Whether the browser keeps this address when it runs short of room was not asked yet.'
      : persisted
        ? 'The browser has promised to keep this address when it runs short of room.'
        : 'The browser may clear this address when it runs short of room: export now and then.';
  const disk =
    flushed === null
      ? ''
      : flushed
        ? ' The last save was written through to the disk before it was confirmed.'
        : ' The browser did not confirm that the last save reached the disk; a power cut might still take it.';
  return <Words as="soft">{`${kept}${disk}`}</Words>;
}

/** Blocks that were damaged, kept as they were found. */
export function AsideBlocks() {
  const blocks = useAside();
  const names = Object.keys(blocks);
  if (names.length === 0) return null;
  return (
    <View>
      <SectionHead title="Set aside" end={countOf(names.length, 'block')} />
      <Words as="soft">
        Damaged parts of the log, kept as they were found. Save them if you want someone to look.
      </Words>
      <LinkButton
        label="Save what is aside"
        onPress={() => download('zoarium-set-aside.json', JSON.stringify(blocks, null, 1))}
      />
    </View>
  );
}
