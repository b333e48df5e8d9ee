import { copperIn } from '@/core/quarantine/medicine/copper';
import { View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import { SUBSTANCE_WORDS } from '@/core/water/substances';
import { formatIn } from '@/core/parameters/convert';
import type { EntryBody } from '@/core/records/kinds';
import {
  DOSE_SUBSTANCES,
  doseRise,
  isAmmoniaSource,
  substanceName,
} from '@/core/records/kinds/dose';
import { formatSignificant } from '@/core/units/format';
import { StrengthFields } from '@/forms/StrengthFields';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';
import { doseFields, EMPTY_DOSE, formOfDose, readDose, waysOf, type DoseForm } from './doseForm';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';

const SUBSTANCES = DOSE_SUBSTANCES.map((value) => ({ value, label: substanceName(value) }));

const WAYS: Record<DoseForm['by'], string> = {
  drops: 'Drops',
  mL: 'mL',
  grams: 'Grams',
  target: 'By the rise',
};

const STRENGTHS = [
  { value: 'label', label: 'As on the label' },
  { value: 'percent', label: 'Percent' },
  { value: 'unknown', label: 'Not known' },
] as const;

const BASES = [
  { value: 'ammonia NH4', label: 'NH4' },
  { value: 'ammonia NH3', label: 'NH3' },
  { value: 'ammonia N', label: 'N' },
] as const;

/** Above this filter bacteria are held back by their own food, mg N/L. */
const TOO_MUCH = 4;

/** The form of the next dose: like the last of the tank, or of the substance that is asked for. */
function nextDose({ history }: FormContext, substance?: DoseForm['substance']): DoseForm {
  const last = history.entries.dose.findLast(
    ({ entry }) => substance === undefined || entry.substance === substance,
  );
  if (last) return { ...formOfDose(last.entry), at: null, note: '', about: false };
  if (substance === undefined) return EMPTY_DOSE;
  return { ...EMPTY_DOSE, substance, by: waysOf(substance)[0] };
}

/** Something measured out of a bottle or a bag, and what it does to this tank. */
export const DoseEntryForm = entryForm({
  kind: 'dose',
  fields: doseFields,
  start: (context) => nextDose(context),
  formOf: formOfDose,
  read: (form, { today, history, now }) => readDose(form, today, copperIn(history, now)),
  Fields: DoseFields,
  Meaning: DoseMeaning,
  labels: { amount: 'How much', product: 'What you call it', percent: 'Strength' },
});

/** The same for a bottle of bacteria, begun from the last bottle and not from the last dose. */
export const BacteriaForm = entryForm({
  kind: 'dose',
  fields: doseFields,
  start: (context) => nextDose(context, 'bacteria'),
  formOf: formOfDose,
  read: (form, { today, history, now }) => readDose(form, today, copperIn(history, now)),
  Fields: DoseFields,
  Meaning: DoseMeaning,
});

function DoseFields({ form, set, errors, context }: FieldsProps<DoseForm>) {
  const ways = waysOf(form.substance);
  const source = isAmmoniaSource(form.substance);
  return (
    <>
      <Choice
        label="What went in"
        options={SUBSTANCES}
        value={form.substance}
        onChange={(substance) =>
          set({
            substance,
            by: waysOf(substance).includes(form.by) ? form.by : waysOf(substance)[0],
          })
        }
      />
      {source ? null : (
        <Field
          label="What you call it"
          value={form.product}
          error={errors.product}
          onChange={(product) => set({ product })}
        />
      )}
      <Choice
        label="Measured by"
        options={ways.map((value) => ({ value, label: WAYS[value] }))}
        value={form.by}
        onChange={(by) => set({ by })}
      />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Field
          style={{ flexGrow: 1, flexBasis: 140 }}
          label="How much"
          kind="number"
          unit={{ drops: 'drops', mL: 'mL', grams: 'g', target: 'ppm' }[form.by]}
          value={form.amount}
          error={errors.amount}
          onChange={(amount) => set({ amount })}
        />
        {form.by === 'drops' ? (
          <Field
            style={{ flexGrow: 1, flexBasis: 140 }}
            label="Drops in one mL"
            kind="number"
            value={form.dropsPerMl}
            error={errors.dropsPerMl}
            onChange={(dropsPerMl) => set({ dropsPerMl })}
          />
        ) : null}
      </View>
      {source && (form.by === 'target' || form.strengthBy === 'label') && form.by !== 'grams' ? (
        <Choice
          label="ppm of"
          options={BASES}
          value={form.basis}
          onChange={(basis) => set({ basis })}
        />
      ) : null}
      {source && (form.by === 'drops' || form.by === 'mL') ? (
        <Strength form={form} set={set} errors={errors} context={context} />
      ) : null}
      {form.substance === 'bacteria' ? (
        <BottleFields form={form} set={set} errors={errors} context={context} />
      ) : null}
      <Tick
        label="Counted roughly"
        note="The amount is then taken as a wider range."
        value={form.about}
        onChange={(about) => set({ about })}
      />
    </>
  );
}

/** Age and keeping of a bottle of bacteria: they decide what in it is still alive. */
function BottleFields({ form, set, errors, context }: FieldsProps<DoseForm>) {
  return (
    <>
      <Choice
        label="Kind of bottle"
        value={form.keeps}
        onChange={(keeps) => set({ keeps })}
        options={[
          { value: 'refrigerated', label: 'Refrigerated' },
          { value: 'shelfStable', label: 'Shelf-stable' },
          { value: 'unknown', label: 'Not known' },
        ]}
      />
      <Tick
        label="Kept cold"
        note="Refrigerated kinds die within weeks in a warm room."
        value={form.storedCold}
        onChange={(storedCold) => set({ storedCold })}
      />
      <DayField
        label="Made or bought on, if you know"
        value={form.madeOn}
        today={context.today}
        error={errors.madeOn}
        onChange={(madeOn) => set({ madeOn })}
      />
      <Field
        label="By its label enough for"
        unit="L"
        kind="number"
        value={form.forLitres}
        error={errors.forLitres}
        onChange={(forLitres) => set({ forLitres })}
      />
    </>
  );
}

function Strength({ form, set, errors }: FieldsProps<DoseForm>) {
  const { strengthBy } = form;
  return (
    <>
      <Choice
        label="Strength of the bottle"
        options={STRENGTHS}
        value={strengthBy === 'pure' ? 'label' : strengthBy}
        onChange={(by) => set({ strengthBy: by })}
      />
      {strengthBy === 'label' || strengthBy === 'percent' ? (
        <StrengthFields by={strengthBy} form={form} set={set} errors={errors} />
      ) : null}
    </>
  );
}

function DoseMeaning({ body, context }: { body: EntryBody<'dose'>; context: FormContext }) {
  const { history, settings } = context;
  if (body.substance === 'ammoniaBinder') {
    return (
      <Remark tone="watch" title="Ammonia tests read on">
        Bound ammonia still shows on many kits for total ammonia. Use the amount on its label.
      </Remark>
    );
  }
  const { does, caution } = SUBSTANCE_WORDS[body.substance];
  if (!isAmmoniaSource(body.substance)) {
    return (
      <>
        <Remark title="What it does">{does}</Remark>
        {caution ? <CautionRemark caution={CAUTIONS[caution]} /> : null}
      </>
    );
  }
  const volume = formatIn(history.netLitres, settings.volumeUnit, 0);
  return (
    <>
      <RiseRemark rise={doseRise(body, history.netLitres)} volume={volume} />
      {caution ? <CautionRemark caution={CAUTIONS[caution]} /> : null}
    </>
  );
}

function RiseRemark({ rise, volume }: { rise: number | null; volume: string }) {
  if (rise === null) {
    return (
      <Remark tone="watch" title="Strength not known">
        Without it this dose can prove nothing later. The label usually says how much makes 2 ppm.
      </Remark>
    );
  }
  const words = `Raises ammonia by about **${formatSignificant(rise, 2)} ppm N** (${formatIn(rise, 'ammonia NH4', 1)}) in ${volume}.`;
  return rise > TOO_MUCH ? (
    <Remark tone="caution" title="More than the filter bacteria can use">
      <Words as="lead">{words}</Words>
      <Words as="soft">
        Above 4 ppm N the filter bacteria are held back. Check the drops, or change some water.
      </Words>
    </Remark>
  ) : (
    <Remark>
      <Words as="lead">{words}</Words>
    </Remark>
  );
}
