import { usePathname, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { to } from '@/frame/addresses';
import { LinkButton } from '@/ui/Press';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { rowOf, type PlacePath } from './places';

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: space.m,
    paddingTop: space.m,
  },
});

/** Words of the Guide that each part of the app uses; none where it speaks as everybody does. */
export const PLACE_TERMS: Readonly<Record<PlacePath, readonly string[]>> = {
  '/': ['Milestone', 'Forecast', 'Rule for done'],
  '/water': ['Band', 'Basis', 'Between'],
  '/cycle': ['Criterion', 'Filter bacteria', 'Challenge'],
  '/dosing': ['Dose', 'Net water', 'Challenge'],
  '/runs/mix': ['Specific gravity', 'Net water', 'Run'],
  '/calculators': ['Net water', 'Basis', 'Specific gravity'],
  '/instruments': ['Instrument', 'Calibration', 'Step'],
  '/connected': ['Instrument', 'Calibration', 'Free ammonia'],
  '/stock': ['Wish', 'Feeding limit', 'Group'],
  '/catalogue': ['Mouth size', 'Sting range', 'Clean-up crew'],
  '/quarantine': ['Batch', 'Clear day', 'Protocol'],
  '/acclimate': ['Free ammonia', 'Specific gravity', 'Run'],
  '/stock/corals': ['Position', 'Sting range'],
  '/stock/growth': ['Sighting', 'Measure', 'Clean-up crew'],
  '/chores': ['Daily check', 'Act'],
  '/away': ['Run'],
  '/runs/build': ['Net water', 'Gate'],
  '/tanks': ['Net water', 'Not entered', 'Method'],
  '/costs': [],
  '/moving/move': ['Filter bacteria', 'Net water'],
  '/journal': ['Act', 'Reading'],
  '/month': ['Band', 'Reading'],
  '/photos': [],
  '/data': ['Act'],
  '/guide': [],
  '/settings': ['Band', 'Basis'],
  '/more': [],
  '/emergency': [],
  '/search': [],
  '/log': ['Test session', 'Between', 'Basis'],
  '/runs': [],
  '/moving': ['Filter bacteria', 'Net water'],
  '/practice': ['Practice', 'Forecast', 'Rule for done'],
  '/demo': [],
};

/** At the end of a screen, quietly: the words of the Guide that it uses, each leading to what it means. */
export function TermsHere() {
  const router = useRouter();
  const row = rowOf(usePathname());
  const terms = row ? (PLACE_TERMS[row.path as PlacePath] ?? []) : [];
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
