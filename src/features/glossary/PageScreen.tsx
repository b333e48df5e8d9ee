import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector } from '@/store/hooks';
import { selectTank } from '@/store/selectors';
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
