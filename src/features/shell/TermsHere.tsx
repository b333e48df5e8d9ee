import { usePathname, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { to } from '@/frame/addresses';
import { LinkButton } from '@/ui/Press';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { rowOf } from './places';

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: space.m,
    paddingTop: space.m,
  },
});

/** At the end of a screen, quietly: the words of the Guide that it uses, each leading to what it means. */
export function TermsHere() {
  const router = useRouter();
  const terms = rowOf(usePathname())?.terms ?? [];
  if (terms.length === 0) return null;
  return (
    <View style={styles.line} role="group" aria-label="Words on this screen">
      <Words as="small">Words here:</Words>
      {terms.map((term) => (
        <LinkButton key={term} soft label={term} onPress={() => router.push(to.word(term))} />
      ))}
    </View>
  );
}
