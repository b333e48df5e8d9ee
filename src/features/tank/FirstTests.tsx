import { View } from 'react-native';
import type { KitTemplateId } from '@/core/parameters/registry';
import { KIT_TEMPLATES } from '@/core/records/kitTemplates';
import { formatPlain, listWords } from '@/core/units/format';
import { Tick } from '@/ui/Choice';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

/** Which tests the keeper owns; their steps are set right later, from the card at hand. */
export function FirstTests({
  tests,
  onChange,
}: {
  tests: readonly KitTemplateId[];
  onChange: (tests: readonly KitTemplateId[]) => void;
}) {
  return (
    <View>
      <SectionHead title="What you test with" />
      <Words as="soft">
        Check the steps against your own card afterwards, under Instruments: a step that is not on
        the card cannot be read.
      </Words>
      {KIT_TEMPLATES.map((kit) => {
        const { id } = kit;
        const chosen = tests.includes(id);
        return (
          <Tick
            key={id}
            label={kit.name}
            note={
              kit.scale.form === 'card'
                ? `${listWords(kit.scale.steps.map((step) => formatPlain(step)))} ppm, as ${kit.unit.split(' ')[1]}`
                : `reads to ${formatPlain(kit.scale.resolution, 4)} ${kit.unit === 'pH' ? 'pH' : kit.unit}`
            }
            value={chosen}
            onChange={(value) =>
              onChange(value ? [...tests, id] : tests.filter((other) => other !== id))
            }
          />
        );
      })}
    </View>
  );
}
