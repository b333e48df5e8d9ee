import { SALT_YIELD } from '@/core/units/constants';
import { View } from 'react-native';
import * as z from 'zod';
import { moneyWords } from '@/core/costs/money';
import { packsFor, type Pack } from '@/core/costs/packs';
import type { TankHistory } from '@/core/history/tankHistory';
import { upkeepOf } from '@/core/maintenance/load';
import { countOf, formatPlain, parseNumber } from '@/core/units/format';
import { saltYield } from '@/core/water/learned';
import { useMeasures } from '@/frame/useMeasures';
import { useDraft } from '@/store/hooks';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { useMaintenance } from './useMaintenance';

const optionSchema = z.object({
  name: z.string(),
  by: z.enum(['salt', 'litres']),
  size: z.string(),
  price: z.string(),
});
const draftSchema = z.array(optionSchema).max(5);
type Option = z.infer<typeof optionSchema>;

const FRESH: Option = { name: '', by: 'salt', size: '', price: '' };
const NONE: Option[] = [FRESH];
const WEEKS = 52;

/** Mixes and methods side by side, by the packs that this net volume needs: to fill it, and for a year. */
export function PacksPart({
  history,
  currency,
}: {
  history: TankHistory;
  currency: string | undefined;
}) {
  const measured = useMeasures();
  const maintenance = useMaintenance();
  const [options, setOptions] = useDraft('costs/packs', draftSchema, NONE);
  const learned = saltYield(history)?.value;
  const year = upkeepOf(history, maintenance).litres * WEEKS;
  const money = (amount: number) => moneyWords(amount, currency);
  const change = (place: number, changes: Partial<Option>) =>
    setOptions(options.map((one, i) => (i === place ? { ...one, ...changes } : one)));
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title="Compare packs" />
      <Words as="soft">
        {measured(
          `By ${formatPlain(history.netLitres, 0)} L to fill, and ${formatPlain(year, 0)} L of changes a year. Salt is taken as ${formatPlain(learned ?? SALT_YIELD, 1)} g a litre${learned === undefined ? '' : ', as your own batches took'}.`,
        )}
      </Words>
      {options.map((option, place) => (
        <View key={place} style={{ gap: 8 }}>
          <Field
            label={`Pack ${place + 1}`}
            value={option.name}
            placeholder="A salt mix, bottled bacteria"
            onChange={(name) => change(place, { name })}
          />
          <Choice
            bare
            label={`Pack ${place + 1} is counted by`}
            value={option.by}
            onChange={(by) => change(place, { by })}
            options={[
              { value: 'salt', label: 'kg of salt' },
              { value: 'litres', label: 'litres it is for' },
            ]}
          />
          <View style={{ flexDirection: 'row', gap: 10 }}>
            <Field
              style={{ flex: 1 }}
              label={`Pack ${place + 1} holds`}
              kind="number"
              unit={option.by === 'salt' ? 'kg' : 'L'}
              value={option.size}
              onChange={(size) => change(place, { size })}
            />
            <Field
              style={{ flex: 1 }}
              label={`Pack ${place + 1} costs`}
              kind="number"
              unit={currency ?? ''}
              value={option.price}
              onChange={(price) => change(place, { price })}
            />
          </View>
          <Answer
            option={option}
            fill={history.netLitres}
            year={year}
            grams={learned ?? SALT_YIELD}
            money={money}
          />
          {options.length > 1 ? (
            <View style={{ alignItems: 'flex-start' }}>
              <LinkButton
                soft
                label={`Take pack ${place + 1} out`}
                onPress={() => setOptions(options.filter((_, i) => i !== place))}
              />
            </View>
          ) : null}
        </View>
      ))}
      {options.length < 5 ? (
        <Button label="Another pack" onPress={() => setOptions([...options, FRESH])} />
      ) : null}
    </View>
  );
}

function Answer({
  option,
  fill,
  year,
  grams,
  money,
}: {
  option: Option;
  fill: number;
  year: number;
  grams: number;
  money: (amount: number) => string;
}) {
  const size = parseNumber(option.size);
  const price = parseNumber(option.price) ?? 0;
  if (size === null || size <= 0) return <Words as="soft">Say what a pack holds.</Words>;
  const pack: Pack = { name: option.name, by: option.by, size, price, yield: grams };
  const first = packsFor(pack, fill);
  const later = packsFor(pack, year);
  const paid = (amount: number) => (price > 0 ? `, ${money(amount)}` : '');
  return (
    <Words as="body">
      {option.by === 'salt'
        ? `**To fill: ${countOf(first.packs, 'pack')}${paid(first.paid)}.** A year of changes: ${countOf(later.packs, 'pack')}${paid(later.paid)}.`
        : `**For this volume: ${countOf(first.packs, 'pack')}${paid(first.paid)}**, of which ${formatPlain(first.exact, 1)} are used.`}
    </Words>
  );
}
