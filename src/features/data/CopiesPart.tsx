import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Revision } from '@/core/records/schema/revision';
import type { BringingBack } from '@/core/copies/bringBack';
import { bytesOf } from '@/core/copies/snapshotKeeping';
import type { Snapshot } from '@/core/copies/snapshots';
import { momentInSentence, momentWords } from '@/core/time/words';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { listCopies, takeCopy, type Copies } from '@/store/copies';
import { bringCopyBack, openCopy } from '@/store/copiesBack';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectNow, selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { useActWords } from './useActWords';

const megabytes = (bytes: number) => `${formatPlain(Math.max(0.1, bytes / 1e6), 1)} MB`;
/** Copies that are shown before one asks for the rest. */
const SHOWN = 5;

/** Copies that this browser keeps of the log by itself: seen into, and brought back. */
export function CopiesPart({ erased }: { erased: number }) {
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const { which } = useAppSelector(selectSession);
  const [found, setFound] = useState<Copies | null>(null);
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<Snapshot | null>(null);
  const look = useCallback(() => dispatch(listCopies()).then(setFound), [dispatch]);
  useEffect(() => void look(), [look, erased]);
  if (!LOGS[which].copied || !found) return null;
  const copies = found.ok ? found.copies : [];
  return (
    <View style={{ gap: 8 }}>
      <SectionHead
        title="Copies within this browser"
        end={copies.length > 0 ? megabytes(bytesOf(copies)) : undefined}
      />
      <Words as="soft">
        One is made each day by itself: seven days, four weeks and twelve months are kept. They help
        after a slip, an import or an erasing. Clearing the browser’s data clears them too.
      </Words>
      {found.ok ? null : <Words as="body">{found.why}</Words>}
      {(all ? copies : copies.slice(0, SHOWN)).map((copy) => (
        <Row
          key={copy.id}
          title={momentWords(copy.at, zone, now)}
          note={countOf(copy.entries, 'entry', 'entries')}
          accessibleName={`The copy of ${momentInSentence(copy.at, zone, now)}`}
          onPress={() => setOpen(copy)}
        />
      ))}
      {copies.length > SHOWN && !all ? (
        <LinkButton label={`All ${copies.length} copies`} onPress={() => setAll(true)} />
      ) : null}
      <Button label="Make a copy now" onPress={() => void dispatch(takeCopy()).then(setFound)} />
      {open ? <CopySheet copy={open} onClose={() => setOpen(null)} /> : null}
    </View>
  );
}

type Opened = { ok: true; records: Revision[]; plan: BringingBack } | { ok: false; why: string };
/** Records that are named of those that would change. */
const NAMED = 6;

/** What bringing a copy back would do, before it does. */
function CopySheet({ copy, onClose }: { copy: Snapshot; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const words = useActWords();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    let current = true;
    void dispatch(openCopy(copy.id)).then((found) => current && setOpened(found));
    return () => {
      current = false;
    };
  }, [dispatch, copy.id]);
  const bring = async (records: readonly Revision[]) => {
    setBusy(true);
    await dispatch(bringCopyBack(records));
    onClose();
  };
  const plan = opened?.ok ? opened.plan : null;
  const named = plan?.revisions.slice(0, NAMED) ?? [];
  const more = (plan?.revisions.length ?? 0) - named.length;
  return (
    <Sheet title={`The copy of ${momentInSentence(copy.at, zone, now)}`} open onClose={onClose}>
      {opened === null ? <Words as="body">It is being opened.</Words> : null}
      {opened && !opened.ok ? (
        <Remark tone="watch" title="It could not be opened">
          {opened.why}
        </Remark>
      ) : null}
      {plan ? <Words as="lead">{planWords(plan)}</Words> : null}
      {named.map((revision) => (
        <Words as="soft" key={`${revision.id}/${revision.rev}`}>
          {words({ revisions: [revision] })}
        </Words>
      ))}
      {more > 0 ? <Words as="soft">{`And ${more} more.`}</Words> : null}
      {opened?.ok && plan && plan.revisions.length > 0 ? (
        <Button
          kind="primary"
          label="Bring it back"
          disabled={busy}
          onPress={() => void bring(opened.records)}
        />
      ) : null}
      <Button label="Leave it" onPress={onClose} />
    </Sheet>
  );
}

function planWords({ revisions, back, changed, away }: BringingBack): string {
  if (revisions.length === 0) return 'It holds what is here now.';
  const parts = [
    back > 0 ? `${countOf(back, 'record comes', 'records come')} back` : '',
    changed > 0
      ? `${countOf(changed, 'record goes', 'records go')} back to what ${changed === 1 ? 'it was' : 'they were'}`
      : '',
    away > 0 ? `${countOf(away, 'record')} entered since ${away === 1 ? 'goes' : 'go'} away` : '',
  ].filter((part) => part !== '');
  return `${listWords(parts)}. It is one act, which can be undone.`;
}
