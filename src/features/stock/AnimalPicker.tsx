import { View } from 'react-native';
import type { CatalogueAnimal } from '@/core/livestock/catalogue';
import { findAnimals } from '@/core/livestock/search';
import { useAppSelector } from '@/store/hooks';
import { Field } from '@/ui/Field';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { Silhouette } from './Silhouette';

/** Rows that are offered: as many as a phone shows above its keyboard. */
const OFFERED = 5;

/** A field for an animal's name, and those that may be meant by it. */
export function AnimalPicker({
  label,
  value,
  onChange,
  onPick,
  picked,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onPick: (animal: CatalogueAnimal) => void;
  /** Whether what is typed was picked already: nothing is offered then. */
  picked: boolean;
}) {
  const own = useAppSelector((state) => state.log.species);
  const text = value.trim().toLowerCase();
  const mine = own
    .map(({ body }) => body)
    .filter(({ names }) => names.some((name) => name.toLowerCase().includes(text)));
  const found = text === '' || picked ? [] : [...mine, ...findAnimals(value)].slice(0, OFFERED);
  return (
    <View>
      <Field label={label} value={value} onChange={onChange} placeholder="any of its names" />
      {found.map((animal) => (
        <Row
          key={animal.id}
          lead={<Silhouette form={animal.form} size={34} />}
          title={animal.names[0] ?? animal.scientific}
          note={animal.scientific}
          onPress={() => onPick(animal)}
        />
      ))}
      {text !== '' && !picked && found.length === 0 ? (
        <Words as="soft">{`Nothing is called "${value.trim()}", nor nearly so.`}</Words>
      ) : null}
    </View>
  );
}
