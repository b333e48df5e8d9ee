import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { PageDrawing } from '@/core/guide/pageDrawings';
import { say } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { drawPage } from '@/store/drawings';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectTank } from '@/store/selectors';
import { Sketch } from '@/ui/Drawing';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { GUIDE_PAGES, PAGE_GROUP_WORDS } from './pages';

/** One question of a keeper with its answer, why, and the place where it is done. */
export function PageScreen({
  id,
  needsTank,
}: {
  id: string;
  /** Whether an address has nothing to show without a tank. */
  needsTank: (address: string) => boolean;
}) {
  const router = useRouter();
  const tank = useAppSelector(selectTank);
  const page = GUIDE_PAGES.find((one) => one.id === id);
  const drawing = useDrawing(id);
  if (!page) {
    return (
      <Screen head={<BackHead title="Guide" />}>
        <Opening title="There is no such page.">Go back, and pick one from the list.</Opening>
      </Screen>
    );
  }
  const reached = page.does.filter(({ open }) => tank !== null || !needsTank(open));
  const others = GUIDE_PAGES.filter((one) => one.group === page.group && one !== page);
  return (
    <Screen
      head={<BackHead title="Guide" aside={PAGE_GROUP_WORDS[page.group]} />}
      aside={
        <View>
          <SectionHead title={PAGE_GROUP_WORDS[page.group]} />
          {others.map((other) => (
            <Row
              key={other.id}
              title={other.question}
              onPress={() => router.push(to.guidePage(other.id))}
            />
          ))}
        </View>
      }
    >
      <Opening title={page.question}>{page.answer}</Opening>
      {drawing ? (
        <View style={{ gap: space.xs }}>
          <Sketch
            shape={drawing.shape}
            words={(value) => `${say(value, drawing.digits)} ${drawing.unit}`}
            summary={drawing.caption}
          />
          <Words as="soft">{drawing.caption}</Words>
        </View>
      ) : null}
      {page.text.map((paragraph) => (
        <Words key={paragraph}>{paragraph}</Words>
      ))}
      <View style={{ gap: space.s }}>
        {reached.map(({ label, open }) => (
          <Button key={label} label={label} onPress={() => router.push(open)} />
        ))}
        {reached.length < page.does.length ? (
          <Words as="soft">Once a tank is set up, this page also leads to where it is done.</Words>
        ) : null}
      </View>
    </Screen>
  );
}

/** What a page shows, once it is drawn; null before, and for a page that shows nothing. */
function useDrawing(page: string): PageDrawing | null {
  const dispatch = useAppDispatch();
  const [drawn, setDrawn] = useState<{ page: string; drawing: PageDrawing | null } | null>(null);
  useEffect(() => {
    let current = true;
    // A page says the same without its picture.
    void dispatch(drawPage(page)).then(
      (drawing) => current && setDrawn({ page, drawing }),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [dispatch, page]);
  return drawn?.page === page ? drawn.drawing : null;
}
