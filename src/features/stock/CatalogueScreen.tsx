import { useRouter } from 'expo-router';
import { useState } from 'react';
import { CATALOGUE, type CatalogueAnimal } from '@/core/livestock/catalogue';
import { findAnimals } from '@/core/livestock/search';
import { groupName } from '@/core/livestock/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { LongList } from '@/ui/Table';
import { Words } from '@/ui/Words';

type Group = CatalogueAnimal['group'] | 'all';

/** Every animal of the catalogue, to be searched by either name. */
export function CatalogueScreen() {
  const router = useRouter();
  const [sought, setSought] = useState('');
  const [group, setGroup] = useState<Group>('all');
  const found = findAnimals(sought, group);
  return (
    <Screen>
      <Opening title="What does it need?">
        {`${CATALOGUE.length} animals: room, company, food, and whom each harms. On the safe side, and said where it is unsure.`}
      </Opening>
      <Field label="Find an animal" value={sought} onChange={setSought} placeholder="either name" />
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
      {found.length === 0 ? (
        <Words as="body">{`Nothing here is called "${sought.trim()}", nor nearly so.`}</Words>
      ) : (
        <Words as="soft">{countOf(found.length, 'animal')}</Words>
      )}
      <LongList
        items={found}
        keyOf={({ id }) => id}
        rowHeight={66}
        render={(animal) => (
          <Row
            title={animal.names[0] ?? animal.scientific}
            note={`${animal.scientific}, ${groupName(animal).toLowerCase()}`}
            onPress={() => router.push(to.animal(animal.id))}
          />
        )}
      />
    </Screen>
  );
}
