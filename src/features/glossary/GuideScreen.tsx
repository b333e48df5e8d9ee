import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { to } from '@/frame/addresses';
import { useTyped } from '@/store/hooks';
import { Field } from '@/ui/Field';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { GUIDE_PAGES, PAGE_GROUPS, PAGE_GROUP_WORDS } from './pages';
import { TERMS } from './terms';

/** Short answers by what one is at, and what the words mean, to be searched. */
export function GuideScreen({ word = '' }: { word?: string }) {
  const router = useRouter();
  const [sought, setSought] = useTyped(`guide/sought/${word}`, word);
  const needle = sought.trim().toLowerCase();
  const words = needle.split(/\s+/);
  const pages = GUIDE_PAGES.filter(({ question, answer, also }) => {
    const page = `${question} ${answer} ${also}`.toLowerCase();
    return words.every((one) => page.includes(one));
  });
  const terms = TERMS.filter(({ term, meaning }) =>
    `${term} ${meaning}`.toLowerCase().includes(needle),
  );
  return (
    <Screen>
      <Opening title="What do you want to know?">
        Short answers, each with a button to where it is done; and what the words mean.
      </Opening>
      <Field label="Find a page or a word" value={sought} onChange={setSought} />
      {PAGE_GROUPS.map((group) => {
        const own = pages.filter((page) => page.group === group);
        return own.length === 0 ? null : (
          <View key={group}>
            <SectionHead title={PAGE_GROUP_WORDS[group]} />
            {own.map(({ id, question }) => (
              <Row key={id} title={question} onPress={() => router.push(to.guidePage(id))} />
            ))}
          </View>
        );
      })}
      {terms.length > 0 ? (
        <View>
          <SectionHead title="What the words mean" />
          {terms.map(({ term, meaning }) => (
            <Row key={term} title={term} note={meaning} />
          ))}
        </View>
      ) : null}
      {pages.length + terms.length === 0 ? (
        <Words as="body">{`Nothing here speaks of "${sought}".`}</Words>
      ) : null}
    </Screen>
  );
}
