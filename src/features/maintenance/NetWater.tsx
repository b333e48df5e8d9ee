import type { Settings } from '@/core/records/schema/settings';
import { formatPlain, parseNumber } from '@/core/units/format';
import { linearToCanonical } from '@/core/units/units';
import { Field } from '@/ui/Field';

/** A tank beyond this is no aquarium of a house, L. */
const MOST_LITRES = 20_000;

/** The litres that were typed; null where they are no volume of a tank. */
export function litresTyped(text: string, unit: Settings['volumeUnit']): number | null {
  const typed = parseNumber(text);
  if (typed === null || typed <= 0) return null;
  const litres = linearToCanonical(typed, unit);
  return litres <= MOST_LITRES ? litres : null;
}

/** Asks for the net water of a tank that is thought of. */
export function NetWater({
  label,
  unit,
  value,
  onChange,
}: {
  label: string;
  unit: Settings['volumeUnit'];
  value: string;
  onChange: (text: string) => void;
}) {
  const unread = value !== '' && litresTyped(value, unit) === null;
  return (
    <Field
      label={label}
      kind="number"
      unit={unit}
      value={value}
      error={unread ? `A volume above zero and up to ${formatPlain(MOST_LITRES)} L.` : undefined}
      onChange={onChange}
    />
  );
}
