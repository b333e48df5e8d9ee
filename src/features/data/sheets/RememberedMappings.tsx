import * as z from 'zod';
import { mappingSchema, type Mapping } from '@/core/sheets/mapping';
import { useDraft, useTyped } from '@/store/hooks';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { View } from 'react-native';

/** Ways of reading a sheet that are kept, the newest first; each browser has its own. */
const MOST_KEPT = 12;
const NAME_LETTERS = 40;
const keptSchema = z.array(z.object({ name: z.string(), mapping: mappingSchema })).max(MOST_KEPT);
type Kept = z.infer<typeof keptSchema>;
const NONE: Kept = [];

/** Keeps how a sheet is read under a name, and reads one as it was read before. */
export function RememberedMappings({
  mapping,
  onUse,
}: {
  mapping: Mapping;
  onUse: (mapping: Mapping) => void;
}) {
  const [kept, setKept] = useDraft<Kept>('sheet/mappings', keptSchema, NONE);
  const [name, setName, nameUsed] = useTyped('sheet/name');
  const title = name.trim().slice(0, NAME_LETTERS);
  const keep = () => {
    const others = kept.filter((one) => one.name !== title);
    setKept([{ name: title, mapping }, ...others].slice(0, MOST_KEPT));
    nameUsed();
  };
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="For the next time" />
      {kept.map((one) => (
        <Row
          key={one.name}
          title={`Read it as “${one.name}”`}
          note={`${one.mapping.columns.length} columns`}
          onPress={() => onUse(one.mapping)}
        />
      ))}
      <Field
        label="A name for how it is read"
        value={name}
        onChange={setName}
        hint="My water sheet. It is kept in this browser."
      />
      <Button label="Remember it" disabled={title === ''} onPress={keep} />
    </View>
  );
}
