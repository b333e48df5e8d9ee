import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { writePhotosFile } from '@/core/photos/file';
import { dayOf } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { download } from '@/frame/browserFiles';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { allPhotos, dropUnusedPhotos, keptPhotos, type KeptPhotos } from '@/store/photos';
import { selectLog, selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

const megabytes = (photos: KeptPhotos['shown']) =>
  `${formatPlain(Math.max(0.1, photos.reduce((sum, { letters }) => sum + letters, 0) / 1e6), 1)} MB`;

/** What is kept of photos, out as a file of its own, and what no animal shows any more. */
export function PhotosPart({ imported }: { imported: number }) {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const zone = useAppSelector(selectZone);
  const { which } = useAppSelector(selectSession);
  const [kept, setKept] = useState<KeptPhotos | null>(null);
  const look = useCallback(
    () => dispatch(keptPhotos()).then(setKept, () => setKept(null)),
    [dispatch],
  );
  useEffect(() => void look(), [look, log, imported]);
  if (!kept) return null;
  const { shown, unused, missing } = kept;
  const count = shown.length + unused.length;
  if (count + missing === 0) return null;
  const exportAll = async () => {
    const photos = await dispatch(allPhotos());
    const now = wallClock();
    download(
      `zoarium-${LOGS[which].inFiles}photos-${dayOf(now, zone)}.json`,
      writePhotosFile(photos, new Date(now).toISOString()),
    );
    dispatch(noticed({ text: `Exported ${countOf(photos.length, 'photo')}`, undo: null }));
  };
  const drop = async () => {
    await dispatch(dropUnusedPhotos(unused.map(({ id }) => id)));
    await look();
  };
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Photos" end={count > 0 ? megabytes([...shown, ...unused]) : undefined} />
      <Words as="soft">
        {`${count === 0 ? 'None is in this browser.' : `${countOf(count, 'photo')}, in this browser alone. The file of the log holds none: photos have a file of their own.`}${missing > 0 ? ` ${countOf(missing, 'photo')} that animals show ${missing === 1 ? 'is' : 'are'} not here: import the file of photos from where ${missing === 1 ? 'it was' : 'they were'} taken.` : ''}`}
      </Words>
      {count > 0 ? <Button label="Export the photos" onPress={() => void exportAll()} /> : null}
      {unused.length > 0 ? (
        <>
          <Words as="soft">
            {`${countOf(unused.length, 'photo')}, ${megabytes(unused)}, ${unused.length === 1 ? 'is' : 'are'} shown by no animal any more. Once removed, undoing what took them away shows no photo.`}
          </Words>
          <Button label="Remove what no animal shows" onPress={() => void drop()} />
        </>
      ) : null}
    </View>
  );
}
