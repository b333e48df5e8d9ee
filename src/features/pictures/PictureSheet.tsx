import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { pictureOf, type Drawn } from '@/core/pictures/picture';
import { spanLine } from '@/core/pictures/spanLine';
import { dayOf } from '@/core/time/zone';
import { download } from '@/frame/browserFiles';
import { dayColours, fontsWithin, pngOf, svgAddress, textMeasure } from '@/frame/browserPictures';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectTank, selectZone } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Sheet } from '@/ui/Sheet';
import { useLayoutWidth } from '@/ui/useLayoutWidth';

type Picture = ReturnType<typeof pictureOf>;

/** A drawing as it will look alone, and the files that it leaves as. */
export function PictureSheet({
  drawn,
  title,
  onClose,
}: {
  drawn: Drawn;
  /** What the screen that it stood on answers. */
  title: string;
  onClose: () => void;
}) {
  const dispatch = useAppDispatch();
  const tank = useAppSelector(selectTank);
  const zone = useAppSelector(selectZone);
  const [picture, setPicture] = useState<Picture | null>(null);
  const [unable, setUnable] = useState(false);
  const [room, onLayout] = useLayoutWidth('picture');
  const name = tank?.body.name ?? '';
  const today = dayOf(wallClock(), zone);
  useEffect(() => {
    let current = true;
    const foot = [
      drawn.legend ?? '',
      [name, spanLine(drawn.span ?? null, wallClock(), zone), drawn.unit ?? '']
        .filter((part) => part !== '')
        .join(' · '),
    ];
    const around = { title, foot, colours: dayColours(), measure: textMeasure() };
    // Once without its fonts, to know which ones it needs.
    const bare = pictureOf(drawn, { ...around, fonts: '' });
    void fontsWithin(bare.svg).then((fonts) => {
      if (current) setPicture(pictureOf(drawn, { ...around, fonts }));
    });
    return () => {
      current = false;
    };
  }, [drawn, title, name, zone]);
  const fileName = (kind: string) =>
    `${
      `${name} ${title}`
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 60) || 'picture'
    }-${today}.${kind}`;
  const left = () => {
    dispatch(noticed({ text: 'Saved the picture', undo: null }));
    onClose();
  };
  const savePng = async ({ svg, width, height }: Picture) => {
    const png = await pngOf(svg, width, height);
    if (!png) return setUnable(true);
    download(fileName('png'), png, 'image/png');
    left();
  };
  const saveSvg = ({ svg }: Picture) => {
    download(fileName('svg'), svg, 'image/svg+xml');
    left();
  };
  const wide = picture ? Math.min(room, picture.width) : 0;
  return (
    <Sheet title="Save the picture" open onClose={onClose}>
      <View onLayout={onLayout} aria-busy={picture === null}>
        {picture && room > 0 ? (
          <Image
            source={{ uri: svgAddress(picture.svg) }}
            accessibilityLabel={drawn.summary}
            style={{ width: wide, height: (wide * picture.height) / picture.width }}
          />
        ) : null}
      </View>
      {unable ? (
        <Remark tone="watch" title="This browser makes no PNG of it">
          Save it as SVG, which every browser and most programs for texts open.
        </Remark>
      ) : null}
      <Button
        kind="primary"
        label="As PNG, for messages and posts"
        disabled={!picture}
        onPress={() => picture && void savePng(picture)}
      />
      <Button
        label="As SVG, for print"
        disabled={!picture}
        onPress={() => picture && saveSvg(picture)}
      />
    </Sheet>
  );
}
