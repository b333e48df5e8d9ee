import { useState } from 'react';
import { View } from 'react-native';
import { momentInSentence } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { canChooseFolder, pickFolder } from '@/frame/browserFiles';
import { chooseFolder, leaveFolder } from '@/store/folder';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectNow, selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { noticed } from '@/store/sessionSlice';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useFolder } from './useFolder';

/** A folder of the keeper's own, which is renewed by itself where the browser hands folders over. */
export function FolderPart() {
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const { which } = useAppSelector(selectSession);
  const { answer, folder, dropped, run, renew, allow } = useFolder();
  const [busy, setBusy] = useState(false);
  const [able] = useState(canChooseFolder);
  if (!LOGS[which].copied || !answer || (!able && !folder)) return null;
  const working = async (work: () => Promise<unknown>) => {
    setBusy(true);
    await work();
    setBusy(false);
  };
  const choose = async () => {
    const picked = await pickFolder();
    if (picked === null) return;
    if (!picked.ok) return void dispatch(noticed({ text: picked.why, undo: null }));
    await working(() => renew(chooseFolder(picked.folder)));
  };
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="A folder of yours" end={folder?.name} />
      <Words as="soft">
        The log as JSON, the tests as a sheet and the photos, renewed by itself while Zoarium is
        open. Seven days, four weeks and twelve months are kept; a file that you change is yours and
        stays.
      </Words>
      {answer.ok ? null : (
        <Remark tone="watch" title="It was not renewed">
          {answer.why}
        </Remark>
      )}
      {folder && dropped ? (
        <>
          <Remark tone="watch" title={`${folder.name} is not renewed any more`}>
            The browser lets a folder be written to until it is closed, and asks again after that.
          </Remark>
          <Button
            kind="primary"
            label={`Go on with ${folder.name}`}
            disabled={busy}
            onPress={() => void working(allow)}
          />
        </>
      ) : null}
      {folder && !dropped ? (
        <Words as="body" live>
          {folder.at === null
            ? 'It was chosen and not written to yet.'
            : `Renewed ${momentInSentence(folder.at, zone, now)}: ${countOf(folder.files, 'file')} in it from Zoarium.`}
        </Words>
      ) : null}
      {folder && !dropped ? (
        <Button label="Renew it now" disabled={busy} onPress={() => void working(() => renew())} />
      ) : null}
      {able ? (
        <Button
          label={folder ? 'Choose another folder' : 'Choose a folder'}
          disabled={busy}
          onPress={() => void choose()}
        />
      ) : null}
      {folder ? (
        <LinkButton soft label="Stop renewing it" onPress={() => void run(leaveFolder())} />
      ) : null}
    </View>
  );
}
