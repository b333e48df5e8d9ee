import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { CATALOGUE, type CatalogueAnimal } from '@/core/livestock/catalogue';
import { ANY_HOME, callIt, type Home } from '@/core/livestock/compatibility/types';
import { judgeTogether } from '@/core/livestock/compatibility/judge';
import { FILTERS, narrowed, type FilterId } from '@/core/livestock/food/filters';
import { homeOf } from '@/core/livestock/add/home';
import { findAnimals } from '@/core/livestock/search';
import { groupName, traitLines } from '@/core/livestock/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector, useTyped } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Bare, LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { color, radius, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Silhouette } from './Silhouette';
import { useFinder } from './useStock';

type Group = CatalogueAnimal['group'] | 'all';

const styles = StyleSheet.create({
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  chip: {
    minHeight: touch,
    borderWidth: 1,
    borderColor: color.edge,
    borderRadius: radius.soft,
    paddingHorizontal: space.m,
    justifyContent: 'center',
  },
  on: { backgroundColor: color.ink, borderColor: color.ink },
  beside: { flexDirection: 'row', gap: space.l },
  column: { width: 250, gap: space.s },
});

/** Animals that stand side by side at most. */
const MOST_BESIDE = 3;

function useHome(): Home {
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  return useMemo(() => (history ? homeOf(history, now) : ANY_HOME), [history, now]);
}

/** Every animal of the catalogue, to be searched by either name, narrowed, and set side by side. */
export function CatalogueScreen() {
  const router = useRouter();
  const find = useFinder();
  const home = useHome();
  const own = useAppSelector((state) => state.log.species);
  const begun = useLocalSearchParams<{ beside?: string }>().beside;
  const [sought, setSought] = useTyped('catalogue/sought');
  const [group, setGroup] = useState<Group>('all');
  const [filters, setFilters] = useState<readonly FilterId[]>([]);
  const [beside, setBeside] = useState<readonly string[]>(begun ? [begun] : []);
  const mine = own
    .map(({ body }) => body)
    .filter(
      (animal) =>
        (group === 'all' || animal.group === group) &&
        animal.names.some((name) => name.toLowerCase().includes(sought.trim().toLowerCase())),
    );
  const found = narrowed([...mine, ...findAnimals(sought, group)], filters, home);
  const compared = beside.flatMap((id) => find(id) ?? []);
  const toggle = (filter: FilterId) =>
    setFilters(
      filters.includes(filter) ? filters.filter((one) => one !== filter) : [...filters, filter],
    );
  return (
    <Screen>
      <Opening title="What does it need?">
        {`${CATALOGUE.length} animals: room, company, food, and whom each harms. On the safe side, and said where it is unsure.`}
      </Opening>
      {compared.length > 0 ? (
        <Beside
          animals={compared}
          home={home}
          onDrop={(id) => setBeside(beside.filter((one) => one !== id))}
        />
      ) : null}
      <Field
        label="Find an animal"
        value={sought}
        onChange={setSought}
        placeholder="any of its names"
      />
      <Choice<Group>
        label="Group"
        bare
        value={group}
        onChange={setGroup}
        options={[
          { value: 'all', label: 'All' },
          { value: 'fish', label: 'Fish' },
          { value: 'invertebrate', label: 'Invertebrates' },
          { value: 'coral', label: 'Corals' },
        ]}
      />
      <View style={styles.chips} role="group" aria-label="Only those that">
        {(Object.keys(FILTERS) as FilterId[]).map((filter) => {
          const on = filters.includes(filter);
          return (
            <Bare
              key={filter}
              label={`${FILTERS[filter]}${on ? ', on' : ''}`}
              onPress={() => toggle(filter)}
              style={[styles.chip, on && styles.on]}
            >
              <Words as="soft" style={on && { color: color.paper }}>
                {FILTERS[filter]}
              </Words>
            </Bare>
          );
        })}
      </View>
      {found.length === 0 ? (
        <Words as="body">
          {filters.length > 0
            ? 'None of them passes all of that.'
            : `Nothing here is called "${sought.trim()}", nor nearly so.`}
        </Words>
      ) : (
        <Words as="soft">{countOf(found.length, 'animal')}</Words>
      )}
      <LongList
        items={found}
        keyOf={({ id }) => id}
        rowHeight={66}
        render={(animal) => (
          <Row
            lead={<Silhouette form={animal.form} size={34} />}
            title={animal.names[0] ?? animal.scientific}
            note={`${animal.scientific}, ${groupName(animal).toLowerCase()}`}
            onPress={() => {
              if (compared.length === 0 || beside.length >= MOST_BESIDE) {
                router.push(to.animal(animal.id));
              } else if (!beside.includes(animal.id)) setBeside([...beside, animal.id]);
            }}
          />
        )}
      />
      <LinkButton
        soft
        label="Describe an animal of your own"
        onPress={() => router.push(to.stockPage('own'))}
      />
    </Screen>
  );
}

/** Two or three animals line by line, and what stands between them. */
function Beside({
  animals,
  home,
  onDrop,
}: {
  animals: readonly CatalogueAnimal[];
  home: Home;
  onDrop: (id: string) => void;
}) {
  const measured = useMeasures();
  const findings = judgeTogether(
    animals.map((animal) => ({ animal, count: 1 })),
    home,
  ).filter(({ between }) => between.length > 1);
  return (
    <View style={{ gap: space.s }}>
      <SectionHead
        title="Side by side"
        end={animals.length < 2 ? 'pick another from the list' : undefined}
      />
      {findings.map(({ rule, because, mend }) => (
        <Row key={rule + because} title={measured(because)} note={measured(mend)} />
      ))}
      {animals.length > 1 && findings.length === 0 ? (
        <Words as="body">Nothing of what is known stands between them.</Words>
      ) : null}
      <ScrollView horizontal tabIndex={0} contentContainerStyle={styles.beside}>
        {animals.map((animal) => (
          <View key={animal.id} style={styles.column}>
            <Silhouette form={animal.form} size={56} />
            <Words as="strong">{callIt(animal)}</Words>
            {traitLines(animal).map(({ title, text }) => (
              <Words key={title} as="soft">{`**${title}.** ${text}`}</Words>
            ))}
            <LinkButton
              soft
              label="Take it away"
              accessibleName={`Take ${callIt(animal)} away`}
              onPress={() => onDrop(animal.id)}
            />
          </View>
        ))}
      </ScrollView>
    </View>
  );
}
