import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { TankHistory } from '@/core/history/tankHistory';
import type { CatalogueAnimal } from '@/core/livestock/catalogue';
import { judgeNewcomers } from '@/core/livestock/compatibility/judge';
import { homeOf } from '@/core/livestock/add/home';
import { residentsOf } from '@/core/livestock/roster/lodgers';
import { rosterOf } from '@/core/livestock/roster/roster';
import { animalSentence, groupName, traitLines } from '@/core/livestock/words';
import { listWords } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useMeasures } from '@/frame/useMeasures';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Silhouette } from './Silhouette';
import { useFinder } from './useStock';

/** One animal of the catalogue, and how the tank in view stands to it. */
export function AnimalScreen({ id }: { id: string }) {
  const measured = useMeasures();
  const find = useFinder();
  const animal = find(id);
  const history = useAppSelector(selectHistory);
  const router = useRouter();
  if (!animal) {
    return (
      <Screen head={<BackHead title="Species" />}>
        <Opening title="There is no such animal.">Go back, and look it up by another name.</Opening>
      </Screen>
    );
  }
  const [name = animal.scientific, ...others] = animal.names;
  return (
    <Screen
      head={<BackHead title="Species" aside={groupName(animal)} />}
      aside={history ? <AgainstTank animal={animal} history={history} /> : undefined}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.m }}>
        <Silhouette form={animal.form} size={64} />
        <View style={{ flex: 1 }}>
          <Opening title={`${name}.`}>{measured(animalSentence(animal))}</Opening>
        </View>
      </View>
      <Words as="aside">{`${animal.scientific}, ${animal.family}`}</Words>
      {others.length > 0 ? <Words as="soft">{`Also called ${others.join(', ')}.`}</Words> : null}
      <AsTyped animal={animal} />
      <AnimalFacts animal={animal} />
      {history ? (
        <Button
          label="Can I add it today?"
          kind="primary"
          onPress={() => router.push(to.stockPage('add', { species: animal.id }))}
        />
      ) : null}
      <LinkButton
        soft
        label="Beside another animal"
        onPress={() => router.push(`/catalogue?beside=${animal.id}`)}
      />
    </Screen>
  );
}

const TYPED_WORDS: Readonly<Record<string, string>> = {
  adultCm: 'full size in cm',
  boughtCm: 'size it is bought at in cm',
  leastLitres: 'least water in L',
  leastLengthCm: 'length to swim in cm',
  'temperature.low': 'lowest temperature in °C',
  'temperature.high': 'highest temperature in °C',
  'sand.depthCm': 'depth of sand in cm',
  'company.least': 'least number kept together',
  name: 'name',
};

/** What an older log holds of one of the keeper's own and no animal has: shown, and not used. */
function AsTyped({ animal }: { animal: CatalogueAnimal }) {
  const typed = Object.entries(animal.asTyped ?? {});
  if (typed.length === 0) return null;
  const words = typed.map(([field, value]) => {
    const text = String(value);
    return `${TYPED_WORDS[field] ?? field} “${text.length > 80 ? `${text.slice(0, 80)} …` : text}”`;
  });
  return (
    <Remark tone="watch" title="Some of what was typed is not used">
      {`No animal has this: ${listWords(words)}. The nearest that one can have stands instead. Describe it anew to put that right.`}
    </Remark>
  );
}

/** What the catalogue says of an animal, what can hurt first. */
export function AnimalFacts({ animal }: { animal: CatalogueAnimal }) {
  const measured = useMeasures();
  const lines = traitLines(animal).map((line) => ({ ...line, text: measured(line.text) }));
  return (
    <>
      {lines
        .filter(({ caution }) => caution)
        .map(({ title, text }) => (
          <Remark key={title} tone="caution" title={title}>
            {text}
          </Remark>
        ))}
      <View>
        {lines
          .filter(({ caution }) => !caution)
          .map(({ title, text }) => (
            <Row key={title} title={title} note={text} />
          ))}
      </View>
    </>
  );
}

/** What would stand between it and the tank in view: its room, its water, and who lives there. */
function AgainstTank({ animal, history }: { animal: CatalogueAnimal; history: TankHistory }) {
  const measured = useMeasures();
  const now = useAppSelector(selectNow);
  const find = useFinder();
  const residents = residentsOf(rosterOf(history), now, find);
  const findings = judgeNewcomers([{ animal, count: 1 }], residents, homeOf(history, now));
  return (
    <View>
      <SectionHead title={history.tank.name} end="what one of it would meet" />
      {findings.map(({ rule, between, severity, because, mend }) => (
        <Row
          key={rule + between.join()}
          title={measured(severity === 'no' ? because : `With care: ${because}`)}
          note={measured(mend)}
        />
      ))}
      <Words as="soft">
        {`${findings.length === 0 ? 'Nothing in its room, its water or its company speaks against it. ' : ''}Whether the filter carries it, and when, is asked with “Can I add it today?”.`}
      </Words>
    </View>
  );
}
