import { useMemo } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { unitFor } from '@/core/records/schema/settings';
import { PARAMETERS } from '@/core/parameters/registry';
import { formatSignificant, parseNumber } from '@/core/units/format';
import { ALL_UNITS, dimensionOf, unitSymbol, type Dimension, type Unit } from '@/core/units/units';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector, useDraft } from '@/store/hooks';
import { selectSettings } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { between } from './sumUnits';

/** The tool that turns units into each other, as it is listed among the sums. */
export const UNITS = {
  id: 'units',
  title: 'Units',
  asks: 'What is this number in other units?',
};

/** What can be turned from one unit into another, in the order in which it is asked for. */
const QUANTITIES: readonly { value: Dimension; label: string }[] = [
  { value: 'salinity', label: 'Salinity' },
  { value: 'temperature', label: 'Temperature' },
  { value: 'volume', label: 'Volume' },
  { value: 'length', label: 'Length' },
  { value: 'mass', label: 'Mass' },
  { value: 'alkalinity', label: 'Alkalinity' },
  { value: 'ammonia', label: 'Ammonia' },
  { value: 'nitrite', label: 'Nitrite' },
  { value: 'nitrate', label: 'Nitrate' },
  { value: 'phosphate', label: 'Phosphate' },
];

const draftSchema = z.object({
  quantity: z.enum(QUANTITIES.map(({ value }) => value) as [Dimension, ...Dimension[]]),
  unit: z.string(),
  text: z.string(),
});
const EMPTY = { quantity: 'salinity' as const, unit: 'ppt', text: '35' };

const label = (unit: Unit) => unitSymbol(unit) || 'pH';

/** A number in every unit of its quantity. */
export function ConverterScreen() {
  const settings = useAppSelector(selectSettings);
  const [draft, setDraft] = useDraft<z.infer<typeof draftSchema>>(
    'calculators/units',
    draftSchema,
    EMPTY,
  );
  const units = useMemo(
    () => ALL_UNITS.filter((unit) => dimensionOf(unit) === draft.quantity),
    [draft.quantity],
  );
  const from = units.find((unit) => unit === draft.unit) ?? units[0];
  const value = parseNumber(draft.text);
  if (!from) return null;
  const own = Object.values(PARAMETERS).find(({ dimension }) => dimension === draft.quantity);
  const wanted = own ? unitFor(settings, own.id) : null;
  const turned = (to: Unit) => (value === null ? null : between(value, from, to));
  const first =
    units.find((unit) => unit === wanted && unit !== from) ?? units.find((u) => u !== from);
  const said = first ? turned(first) : null;
  const figure = (number: number, unit: Unit) =>
    Number.isFinite(number)
      ? `${formatSignificant(Number(number.toPrecision(5)), unit.startsWith('sg') ? 5 : 4)} ${label(unit)}`
      : 'none';
  return (
    <Screen head={<BackHead title="Units" aside="" />}>
      <Opening title={said === null || !first ? 'Which number?' : `${figure(said, first)}.`}>
        {value === null ? 'Type it, and it stands here in every unit.' : ''}
      </Opening>
      <Choice
        label="Of what"
        value={draft.quantity}
        onChange={(quantity) => {
          const unit = ALL_UNITS.find((one) => dimensionOf(one) === quantity) ?? 'ppt';
          setDraft({ ...draft, quantity, unit });
        }}
        options={QUANTITIES}
      />
      <Field
        label="The number"
        kind="number"
        unit={label(from)}
        value={draft.text}
        error={
          draft.text.trim() !== '' && value === null
            ? `"${draft.text}" is not a number.`
            : undefined
        }
        onChange={(text) => setDraft({ ...draft, text })}
      />
      <Choice
        label="It is in"
        value={from}
        onChange={(unit) => setDraft({ ...draft, unit })}
        options={units.map((unit) => ({ value: unit, label: label(unit) }))}
      />
      <View>
        <SectionHead title="The same in" />
        {units
          .filter((unit) => unit !== from)
          .map((unit) => {
            const number = turned(unit);
            return (
              <Row
                key={unit}
                title={label(unit)}
                end={<Words as="body">{number === null ? '' : figure(number, unit)}</Words>}
              />
            );
          })}
      </View>
      {draft.quantity === 'salinity' ? (
        <Words as="soft">
          1.025 and 35 ppt are not the same: at 25 °C over water of 25 °C, 35 ppt is 1.0264. mS/cm
          as a pen shows them, at 25 °C.
        </Words>
      ) : null}
    </Screen>
  );
}
