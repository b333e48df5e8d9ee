import { useState } from 'react';
import { View } from 'react-native';
import { doseRise, isAmmoniaSource } from '@/core/history/dose';
import type { TankHistory } from '@/core/history/tankHistory';
import { formatIn } from '@/core/parameters/convert';
import { DOSE_SUBSTANCES, type DoseEntry } from '@/core/records/schema/entry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { dayOf } from '@/core/time/zone';
import { formatSignificant } from '@/core/units/format';
import { selectHistory, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { SUBSTANCE_WORDS } from '@/shared/eventWords';
import { StrengthFields } from '@/shared/StrengthFields';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';
import {
  doseFormSchema,
  EMPTY_DOSE,
  formOfDose,
  readDose,
  waysOf,
  type DoseForm,
} from './doseForm';
import { EntryForm } from './EntryForm';

const SUBSTANCES = DOSE_SUBSTANCES.map((value) => ({ value, label: SUBSTANCE_WORDS[value] }));

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

/** Above this a colony is held back by its own food, mg N/L. */
const TOO_MUCH = 4;

/** Logs a dose, or corrects one, and says what it does to this tank. */
export function DoseScreen({ editing }: { editing?: RevisionOf<'entry'> }) {
  const history = useAppSelector(selectHistory);
  if (!history) return null;
  return <DoseEditor key={editing?.id ?? 'new'} history={history} editing={editing} />;
}

function startOf(history: TankHistory, editing?: RevisionOf<'entry'>): DoseForm {
  if (editing?.body.kind === 'dose') return formOfDose(editing.body);
  const last = history.doses.at(-1)?.entry;
  return last ? { ...formOfDose(last), at: null, note: '', about: false } : EMPTY_DOSE;
}

function DoseEditor({ history, editing }: { history: TankHistory; editing?: RevisionOf<'entry'> }) {
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const [start] = useState(() => startOf(history, editing));
  const name = editing ? `dose/${editing.id}` : `dose/${history.tankId}`;
  const [form, setForm] = useDraft<DoseForm>(name, doseFormSchema, start);
  const [shown, setShown] = useState(false);
  const set = (changes: Partial<DoseForm>) => setForm({ ...form, ...changes });
  const result = readDose(form, dayOf(now, history.tank.zone));
  const errors = shown && !result.ok ? result.errors : {};
  const ways = waysOf(form.substance);
  const source = isAmmoniaSource(form.substance);
  return (
    <EntryForm
      words={{ title: 'Dose', saved: 'Saved the dose', save: 'Save the dose' }}
      tankId={history.tankId}
      tankName={history.tank.name}
      zone={history.tank.zone}
      at={form.at}
      onAt={(at) => set({ at })}
      clear={() => setForm(null)}
      editing={editing}
      read={() => {
        setShown(true);
        return result.ok ? result.dose : null;
      }}
    >
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
        <Strength form={form} set={set} errors={errors} />
      ) : null}
      {form.substance === 'bacteria' ? (
        <BottleFields form={form} set={set} errors={errors} today={dayOf(now, history.tank.zone)} />
      ) : null}
      <Tick
        label="Counted roughly"
        note="The amount is then taken as a wider range."
        value={form.about}
        onChange={(about) => set({ about })}
      />
      <Field label="Note" kind="many" value={form.note} onChange={(note) => set({ note })} />
      {result.ok ? (
        <DoseMeaning dose={result.dose} history={history} volumeUnit={settings.volumeUnit} />
      ) : null}
    </EntryForm>
  );
}

/** Age and keeping of a bottle of bacteria: they decide what in it is still alive. */
function BottleFields({
  form,
  set,
  errors,
  today,
}: {
  form: DoseForm;
  set: (changes: Partial<DoseForm>) => void;
  errors: Partial<Record<keyof DoseForm, string>>;
  today: string;
}) {
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
        today={today}
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

function Strength({
  form,
  set,
  errors,
}: {
  form: DoseForm;
  set: (changes: Partial<DoseForm>) => void;
  errors: Partial<Record<keyof DoseForm, string>>;
}) {
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

function DoseMeaning({
  dose,
  history,
  volumeUnit,
}: {
  dose: Omit<DoseEntry, 'tankId' | 'at'>;
  history: TankHistory;
  volumeUnit: 'L' | 'gal';
}) {
  const volume = formatIn(history.netLitres, volumeUnit, 0);
  if (dose.substance === 'householdAmmonia') {
    return (
      <>
        <RiseRemark rise={doseRise(dose, history.netLitres)} volume={volume} />
        <Remark tone="caution" title="Strong ammonia">
          Gloves and air. Never near bleach or acid: the fumes kill. Only kinds without scent or
          surfactant, which foam when shaken, belong in a tank.
        </Remark>
      </>
    );
  }
  if (isAmmoniaSource(dose.substance)) {
    return <RiseRemark rise={doseRise(dose, history.netLitres)} volume={volume} />;
  }
  if (dose.substance === 'ammoniaBinder') {
    return (
      <Remark tone="watch" title="Ammonia tests read on">
        Bound ammonia still shows on many kits for total ammonia. Use the amount on its label.
      </Remark>
    );
  }
  return null;
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
    <Remark tone="caution" title="More than the colony can use">
      <Words as="lead">{words}</Words>
      <Words as="soft">
        Above 4 ppm the colony is held back. Check the drops, or change some water.
      </Words>
    </Remark>
  ) : (
    <Remark>
      <Words as="lead">{words}</Words>
    </Remark>
  );
}
