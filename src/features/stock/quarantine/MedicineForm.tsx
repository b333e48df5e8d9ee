import { useState } from 'react';
import { View } from 'react-native';
import { oneGiven } from '@/core/quarantine/medicine/medicine';
import {
  COPPER_FORMS,
  LABEL_SAYS,
  MEDICINE_FORMS,
  MEDICINE_KINDS,
  REDUCING,
  type Medicine,
} from '@/core/records/schema/medicine';
import type { RevisionOf } from '@/core/records/schema/revision';
import { CAUTIONS } from '@/core/cautions';
import { CautionRemark } from '@/frame/CautionRemark';
import { FormRemarks } from '@/forms/FormRemarks';
import { SaveRow } from '@/forms/SaveRow';
import { useRecordForm } from '@/forms/useRecordForm';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import {
  formOfMedicine,
  medicineFields,
  NEW_MEDICINE,
  readMedicine,
  type MedicineFields,
} from './medicineFields';

const KIND_LABELS: Record<Medicine['kind'], string> = {
  copper: 'Copper',
  antibiotic: 'Antibiotic',
  formaldehyde: 'Formaldehyde',
  methyleneBlue: 'Methylene blue',
  peroxide: 'Peroxide',
  other: 'Another medicine',
  binder: 'Binder, dechlorinator',
};
const FORM_LABELS: Record<NonNullable<Medicine['form']>, string> = {
  liquid: 'A liquid',
  powder: 'A powder',
  tablet: 'Tablets',
  food: 'Mixed into food',
};
const COPPER_LABELS: Record<NonNullable<Medicine['copper']>, string> = {
  chelated: 'Chelated',
  ionic: 'Ionic',
  unknown: 'The label is silent',
};
const REDUCES: Record<Medicine['reducing'], string> = {
  no: 'It does not reduce',
  yes: 'It reduces',
  unknown: 'The label is silent',
};
const ON_FILTER: Record<Medicine['harmsFilter'], string> = {
  no: 'It spares the filter',
  yes: 'It harms the filter',
  unknown: 'The label is silent',
};
const SAYS = [
  ['lowersOxygen', 'Lowers oxygen'],
  ['harmsInvertebrates', 'Harms invertebrates and corals'],
  ['carbonOut', 'Carbon and skimmer take it out'],
] as const;

/** A label, copied. */
export function MedicineForm({
  head,
  onDone,
}: {
  head?: RevisionOf<'medicine'>;
  onDone: () => void;
}) {
  const [start] = useState(() => (head ? formOfMedicine(head.body) : NEW_MEDICINE));
  const record = useRecordForm<MedicineFields, Medicine, 'medicine'>({
    name: `quarantine/medicine/${head?.id ?? 'new'}`,
    fields: medicineFields,
    read: readMedicine,
    start,
    editing: head,
    formOf: formOfMedicine,
  });
  const { form, set, errors } = record;
  const save = async () => {
    const saved = await record.save((act, medicine, settles) => {
      if (head) act.revise(head, medicine, settles);
      else act.create('medicine', medicine);
    }, 'Label saved');
    if (saved) onDone();
  };
  const number = (
    field: 'low' | 'high' | 'strength' | 'days' | 'redoseDays',
    label: string,
    more: { unit?: string; hint?: string } = {},
  ) => (
    <Field
      label={label}
      kind="number"
      value={form[field]}
      error={errors[field]}
      onChange={(text) => set({ [field]: text })}
      {...more}
    />
  );
  const { unit } = form;
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={head ? `The label of ${head.body.name}` : 'Copy a label'} />
      <FormRemarks form={record} />
      <Field
        label="What it is called"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <Choice
        label="What it is"
        value={form.kind}
        onChange={(kind) => set({ kind })}
        options={MEDICINE_KINDS.map((value) => ({ value, label: KIND_LABELS[value] }))}
      />
      <Choice
        label="How it is given"
        value={form.form}
        onChange={(given) => set({ form: given })}
        options={MEDICINE_FORMS.map((value) => ({ value, label: FORM_LABELS[value] }))}
      />
      {form.kind === 'copper' ? (
        <>
          <Choice
            label="Its copper is"
            value={form.copper}
            onChange={(copper) => set({ copper })}
            options={COPPER_FORMS.map((value) => ({ value, label: COPPER_LABELS[value] }))}
          />
          <Remark>
            A kit reads chelated or ionic copper, seldom both: use one that names yours.
          </Remark>
        </>
      ) : null}
      {form.kind === 'formaldehyde' ? <CautionRemark caution={CAUTIONS.formaldehyde} /> : null}
      {form.kind === 'binder' ? (
        <>
          <Choice
            label="What it does to what it meets"
            value={form.reducing}
            onChange={(reducing) => set({ reducing })}
            options={REDUCING.map((value) => ({ value, label: REDUCES[value] }))}
          />
          {form.reducing === 'unknown' ? (
            <Remark tone="caution">
              A silent label counts as one that reduces: never with copper.
            </Remark>
          ) : null}
        </>
      ) : (
        <>
          {number('low', "The label's range, from", { unit })}
          {number('high', 'to', { unit })}
          <Field
            label="In the unit that its test reads"
            value={form.unit}
            placeholder="mg/L"
            error={errors.unit}
            onChange={(text) => set({ unit: text })}
          />
          {number('strength', `By how much ${oneGiven(form.form)} raises 1 L`, {
            unit,
            hint: 'From the label; without it no dilution is worked out.',
          })}
          {number('days', 'Days it is kept up')}
          {number('redoseDays', 'Given again after so many days')}
          <Choice
            label="What it does to the filter"
            value={form.harmsFilter}
            onChange={(harmsFilter) => set({ harmsFilter })}
            options={LABEL_SAYS.map((value) => ({ value, label: ON_FILTER[value] }))}
          />
        </>
      )}
      {SAYS.map(([field, label]) => (
        <Tick
          key={field}
          label={label}
          value={form[field]}
          onChange={(value) => set({ [field]: value })}
        />
      ))}
      <SaveRow record={record} save="Save the label" onSave={save} onLeave={onDone} />
    </View>
  );
}
