import { useTyped } from '@/store/hooks';
import { View } from 'react-native';
import { Field } from '@/ui/Field';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { TERMS } from './terms';

/** What the words mean, to be searched. */
export function GuideScreen({ word = '' }: { word?: string }) {
  const [sought, setSought] = useTyped(`guide/sought/${word}`, word);
  const needle = sought.trim().toLowerCase();
  const found = TERMS.filter(({ term, meaning }) =>
    `${term} ${meaning}`.toLowerCase().includes(needle),
  );
  return (
    <Screen>
      <Opening title="What the words mean.">One word for one thing, here and everywhere.</Opening>
      <Field label="Find a word" value={sought} onChange={setSought} />
      <View>
        {found.map(({ term, meaning }) => (
          <Row key={term} title={term} note={meaning} />
        ))}
      </View>
      {found.length === 0 ? <Words as="body">{`Nothing here speaks of "${sought}".`}</Words> : null}
    </Screen>
  );
}
