import { View } from 'react-native';
import { KIT_TEMPLATES, kitFrom } from '@/core/records/kitTemplates';
import { hasReadings } from '@/core/records/readingsOf';
import { formatPlain, listWords } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectKits, selectLog } from '@/store/selectors';
import { Tick } from '@/ui/Choice';
import { Opening, Screen } from '@/ui/Screen';

type Template = (typeof KIT_TEMPLATES)[number];

function scaleWords({ scale, unit }: Template): string {
  const symbol = unitSymbol(unit);
  return scale.form === 'card'
    ? `${listWords(scale.steps.map((step) => formatPlain(step)))} ${symbol}`.trim()
    : `reads to ${formatPlain(scale.resolution, 4)} ${symbol}`.trim();
}

/** Which of the usual tests the keeper owns: each has a row on the test sheet. */
export function OwnTestsScreen() {
  const kits = useAppSelector(selectKits);
  const log = useAppSelector(selectLog);
  const dispatch = useAppDispatch();
  const ownOf = ({ parameter, name }: Template) =>
    kits.find(({ body }) => body.parameter === parameter && body.name === name);
  const own = (template: Template, wanted: boolean) => {
    const kit = ownOf(template);
    const order = Math.max(-1, ...kits.map(({ body }) => body.order)) + 1;
    void dispatch(
      recordAct(
        (act) => {
          if (!kit) act.create('kit', kitFrom(template.id, order));
          else if (wanted || hasReadings(log, kit.id))
            act.revise(kit, { ...kit.body, inUse: wanted });
          else act.remove(kit);
        },
        wanted ? `Added ${template.name}` : `Put ${template.name} away`,
      ),
    );
  };
  return (
    <Screen head={<BackHead title="Test kits and meters" aside="" />}>
      <Opening title="Which tests do you own?">
        Each has a row on the test sheet. Check the steps against your own card afterwards, under
        Instruments: a step that is not on the card cannot be read.
      </Opening>
      <View>
        {KIT_TEMPLATES.map((template) => (
          <Tick
            key={template.id}
            label={template.name}
            note={scaleWords(template)}
            value={ownOf(template)?.body.inUse ?? false}
            onChange={(wanted) => own(template, wanted)}
          />
        ))}
      </View>
    </Screen>
  );
}
