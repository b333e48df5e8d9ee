import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import type { FormErrors } from './reader';
import type { StrengthForm } from './strengthForm';

/** How strong a bottle is: by what its label counts, or by its percentage. */
export function StrengthFields({
  by,
  form,
  set,
  errors,
}: {
  by: 'label' | 'percent';
  form: StrengthForm;
  set: (changes: Partial<StrengthForm>) => void;
  errors: FormErrors<StrengthForm>;
}) {
  const number = (
    name: 'labelAmount' | 'labelLitres' | 'labelGives',
    label: string,
    unit?: string,
  ) => (
    <Field
      style={{ flexGrow: 1, flexBasis: 96 }}
      label={label}
      unit={unit}
      kind="number"
      value={form[name]}
      error={errors[name]}
      onChange={(text) => set({ [name]: text })}
    />
  );
  if (by === 'percent') {
    return (
      <Field
        label="Grams in 100 mL"
        unit="%"
        kind="number"
        value={form.percent}
        error={errors.percent}
        onChange={(percent) => set({ percent })}
      />
    );
  }
  return (
    <>
      <Choice
        label="The label counts in"
        options={[
          { value: 'drop', label: 'Drops' },
          { value: 'mL', label: 'mL' },
        ]}
        value={form.labelUnit}
        onChange={(labelUnit) => set({ labelUnit })}
      />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {number('labelAmount', form.labelUnit === 'drop' ? 'Drops' : 'mL')}
        {number('labelLitres', 'in water', 'L')}
        {number('labelGives', 'make', 'ppm')}
      </View>
    </>
  );
}
