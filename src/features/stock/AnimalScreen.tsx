import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { TankHistory } from '@/core/history/tankHistory';
import type { CatalogueAnimal } from '@/core/livestock/catalogue';
import { animalSentence, groupName, traitLines } from '@/core/livestock/words';
import { latestReading } from '@/core/history/tankHistory';
import { formatPlain } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
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
  const find = useFinder();
  const animal = find(id);
  const history = useAppSelector(selectHistory);
  const router = useRouter();
  if (!animal) {
    return (
      <Screen head={<BackHead title="Catalogue" />}>
        <Opening title="There is no such animal.">Go back, and look it up by another name.</Opening>
      </Screen>
    );
  }
  const [name = animal.scientific, ...others] = animal.names;
  return (
    <Screen
      head={<BackHead title="Catalogue" aside={groupName(animal)} />}
      aside={history ? <AgainstTank animal={animal} history={history} /> : undefined}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.m }}>
        <Silhouette form={animal.form} size={64} />
        <View style={{ flex: 1 }}>
          <Opening title={`${name}.`}>{animalSentence(animal)}</Opening>
        </View>
      </View>
      <Words as="aside">{`${animal.scientific}, ${animal.family}`}</Words>
      {others.length > 0 ? <Words as="soft">{`Also called ${others.join(', ')}.`}</Words> : null}
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

/** What the catalogue says of an animal, what can hurt first. */
export function AnimalFacts({ animal }: { animal: CatalogueAnimal }) {
  const lines = traitLines(animal);
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

/** What of the tank in view falls short of the animal's least: facts side by side, no verdict. */
function AgainstTank({ animal, history }: { animal: CatalogueAnimal; history: TankHistory }) {
  const { tank, netLitres, standing } = history;
  const warmth = latestReading(history, 'temperature');
  const rows: { title: string; note: string }[] = [];
  if (animal.group !== 'coral') {
    rows.push({
      title: netLitres >= animal.leastLitres ? 'Enough water' : 'Too little water',
      note: `${formatPlain(netLitres, 0)} L here, ${formatPlain(animal.leastLitres)} at least`,
    });
  }
  if (animal.group === 'fish' && tank.volume.shell.by === 'dimensions') {
    const { length } = tank.volume.shell.box;
    rows.push({
      title: length >= animal.leastLengthCm ? 'Long enough' : 'Too short',
      note: `${formatPlain(length, 0)} cm here, ${formatPlain(animal.leastLengthCm)} at least`,
    });
  }
  if (animal.group === 'fish' && animal.sand) {
    const { sandDepth } = tank.volume;
    rows.push({
      title: sandDepth >= animal.sand.depthCm ? 'Enough sand' : 'Too little sand',
      note: `${formatPlain(sandDepth, 1)} cm here, ${formatPlain(animal.sand.depthCm)} at least`,
    });
  }
  if (animal.group === 'fish' && animal.jumps && !standing.lid) {
    rows.push({ title: 'No lid yet', note: 'It jumps, and new fish all do' });
  }
  if (warmth) {
    const fits =
      warmth.best >= animal.temperature.low - 0.5 && warmth.best <= animal.temperature.high + 0.5;
    rows.push({
      title: fits ? 'The warmth fits' : 'The warmth does not fit',
      note: `${formatPlain(warmth.best, 1)} °C read last, ${formatPlain(animal.temperature.low)} to ${formatPlain(animal.temperature.high)} wanted`,
    });
  }
  return (
    <View>
      <SectionHead title={tank.name} end="against its least" />
      {rows.map((row) => (
        <Row key={row.title} title={row.title} note={row.note} />
      ))}
      <Words as="soft">
        Not a yes to buying it: who lives here already, and whether the cycle is done, are judged
        elsewhere.
      </Words>
    </View>
  );
}
