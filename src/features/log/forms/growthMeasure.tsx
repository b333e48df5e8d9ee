import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import {
  MEASURES,
  MEASURE_WORDS,
  GROWTH_MEASURE_ACTIONS,
  type Measure,
} from '@/core/records/kinds/growthMeasure';
import { FormReader, type FormReading } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps } from './entryForm';
import { SHARED, sharedFields } from './shared';

export const growthMeasureFields = z.object({
  ...sharedFields,
  measure: z.enum(MEASURES),
  action: z.enum(GROWTH_MEASURE_ACTIONS),
  strength: z.string(),
});
export type GrowthMeasureForm = z.infer<typeof growthMeasureFields>;

function readGrowthMeasure(
  form: GrowthMeasureForm,
): FormReading<GrowthMeasureForm, EntryBody<'growthMeasure'>> {
  const read = new FormReader(form);
  return read.result({
    kind: 'growthMeasure',
    measure: form.measure,
    action: form.action,
    ...read.optionalText('strength', NAME_LETTERS),
    ...read.optionalText('note', NOTE_LETTERS),
  });
}

/** Something done about what grows. */
export const GrowthMeasureEntryForm = entryForm<'growthMeasure', GrowthMeasureForm>({
  kind: 'growthMeasure',
  fields: growthMeasureFields,
  start: () => ({ ...SHARED, measure: 'byHand', action: 'begun', strength: '' }),
  formOf: (entry) => ({
    at: entry.at,
    note: entry.note ?? '',
    measure: entry.measure,
    action: entry.action,
    strength: entry.strength ?? '',
  }),
  read: readGrowthMeasure,
  Fields: GrowthMeasureFields,
  Meaning: GrowthMeasureMeaning,
  labels: { strength: 'How much' },
});

/** What the strength of each is said in. */
const STRENGTHS: Record<Measure, string> = {
  byHand: 'a handful, a bucket',
  lessLight: '60 %, two hours less',
  blackout: 'three days',
  phosphateMedia: '50 g',
  refugium: 'lit 8 hours',
  scrubber: 'lit 8 hours',
  carbonSource: '1 mL a day',
  nutrientsUp: 'nitrate to 5 mg/L',
  uv: '11 W, 300 L an hour',
};

function GrowthMeasureFields({ form, set, errors }: FieldsProps<GrowthMeasureForm>) {
  return (
    <>
      <Choice
        label="What is done"
        value={form.measure}
        onChange={(measure) => set({ measure })}
        options={MEASURES.map((value) => ({ value, label: MEASURE_WORDS[value] }))}
      />
      <Choice
        label="It is"
        value={form.action}
        onChange={(action) => set({ action })}
        options={[
          { value: 'begun', label: 'Begun' },
          { value: 'changed', label: 'Changed' },
          { value: 'ended', label: 'Ended' },
        ]}
      />
      <Field
        label="How much, if it can be said"
        value={form.strength}
        error={errors.strength}
        placeholder={STRENGTHS[form.measure]}
        hint={form.action === 'begun' ? 'Begin small: half of what its label says.' : undefined}
        onChange={(strength) => set({ strength })}
      />
    </>
  );
}

function GrowthMeasureMeaning({ body }: { body: EntryBody<'growthMeasure'> }) {
  if (body.measure === 'carbonSource') return <CautionRemark caution={CAUTIONS.carbonSource} />;
  if (body.measure === 'blackout') return <CautionRemark caution={CAUTIONS.blackout} />;
  if (body.measure === 'byHand' || body.measure === 'scrubber') {
    return <CautionRemark caution={CAUTIONS.harvest} />;
  }
  return null;
}
