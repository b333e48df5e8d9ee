import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { choosePicture } from '@/frame/browserFiles';
import { useAppDispatch } from '@/store/hooks';
import { leavePhoto, takePhoto } from '@/store/photos';
import { Button, ButtonRow } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { color, radius, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { usePhoto } from './usePhoto';

const styles = StyleSheet.create({
  photo: {
    width: '100%',
    aspectRatio: 4 / 3,
    maxHeight: 420,
    borderRadius: radius.soft,
    backgroundColor: color.shoal1,
  },
});

/** The photo of a group: shown whole, taken or chosen, changed, taken away. */
export function CohortPhoto({
  cohortId,
  name,
  photo,
}: {
  cohortId: string;
  name: string;
  photo?: string;
}) {
  const dispatch = useAppDispatch();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async () => {
    const file = await choosePicture();
    if (!file) return;
    setTrouble(null);
    setBusy(true);
    setTrouble(await dispatch(takePhoto(cohortId, file)));
    setBusy(false);
  };
  return (
    <View style={{ gap: space.s }}>
      {photo === undefined ? null : <Shown id={photo} name={name} />}
      {trouble ? (
        <View role="alert">
          <Remark tone="watch" title="No photo was kept">
            {trouble}
          </Remark>
        </View>
      ) : null}
      <ButtonRow>
        <Button
          label={busy ? 'Scaling it down …' : photo === undefined ? 'Add a photo' : 'Another photo'}
          disabled={busy}
          onPress={() => void take()}
        />
        {photo === undefined ? null : (
          <Button
            label="Take it away"
            disabled={busy}
            onPress={() => void dispatch(leavePhoto(cohortId))}
          />
        )}
      </ButtonRow>
    </View>
  );
}

function Shown({ id, name }: { id: string; name: string }) {
  const text = usePhoto(id);
  if (text === 'missing') {
    return (
      <Words as="soft">
        Its photo is not in this browser. A file of photos from where it was taken brings it: import
        it on Data.
      </Words>
    );
  }
  return text === null ? (
    <View style={styles.photo} aria-busy />
  ) : (
    <Image
      source={{ uri: text }}
      resizeMode="contain"
      style={styles.photo}
      role="img"
      aria-label={`Photo: ${name}`}
    />
  );
}
