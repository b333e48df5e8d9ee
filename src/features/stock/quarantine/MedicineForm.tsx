import { useState } from 'react';
import { View } from 'react-native';
import {
  MEDICINE_KINDS,
  medicineSchema,
  REDUCING,
  type Medicine,
} from '@/core/records/schema/medicine';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatExact, parseNumber } from '@/core/units/format';
import { useAppDispatch } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, ButtonRow } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';

const KIND_LABELS: Record<Medicine['kind'], string> = {
  copper: 'Copper',
  antibiotic: 'Antibiotic',
  other: 'Another medicine',
  binder: 'Binder, dechlorinator',
};
const REDUCES: Record<Medicine['reducing'], string> = {
  no: 'It does not reduce',
  yes: 'It reduces',
  unknown: 'The label is silent',
};
const WRONG: Record<string, string> = {
  name: 'Give it the name on its label.',
  target: 'The range ends below its beginning, or one end is missing.',
  unit: 'The unit is what its test reads, such as mg/L.',
  strength: 'The strength is a number above zero.',
  days: 'The days are a number above zero.',
};

/** A label, copied. */
export function MedicineForm({
  head,
  onDone,
}: {
  head?: RevisionOf<'medicine'>;
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  const was = head?.body;
  const text = (value: number | undefined) => (value === undefined ? '' : formatExact(value));
  const [name, setName] = useState(was?.name ?? '');
  const [kind, setKind] = useState<Medicine['kind']>(was?.kind ?? 'other');
  const [low, setLow] = useState(text(was?.target?.low));
  const [high, setHigh] = useState(text(was?.target?.high));
  const [unit, setUnit] = useState(was?.unit ?? '');
  const [strength, setStrength] = useState(text(was?.strength));
  const [days, setDays] = useState(text(was?.days));
  const [reducing, setReducing] = useState<Medicine['reducing']>(was?.reducing ?? 'unknown');
  const [says, setSays] = useState({
    lowersOxygen: was?.lowersOxygen ?? false,
    harmsFilter: was?.harmsFilter ?? false,
    harmsInvertebrates: was?.harmsInvertebrates ?? true,
    carbonOut: was?.carbonOut ?? true,
  });
  const number = (typed: string) =>
    typed.trim() === '' ? undefined : (parseNumber(typed) ?? Number.NaN);
  const [from, till, mg, long] = [number(low), number(high), number(strength), number(days)];
  const made = medicineSchema.safeParse({
    name,
    kind,
    ...(from !== undefined || till !== undefined ? { target: { low: from, high: till } } : {}),
    ...(unit.trim() === '' ? {} : { unit }),
    ...(mg === undefined ? {} : { strength: mg }),
    ...(long === undefined ? {} : { days: long }),
    ...says,
    reducing: kind === 'binder' ? reducing : 'no',
    ...(was?.note ? { note: was.note } : {}),
  });
  const wrong = made.success ? null : String(made.error.issues[0]?.path[0] ?? 'target');
  return (
    <View style={{ gap: 12 }}>
      <SectionHead title={was ? `The label of ${was.name}` : 'Copy a label'} />
      <Field label="What it is called" value={name} onChange={setName} />
      <Choice
        label="What it is"
        value={kind}
        onChange={setKind}
        options={MEDICINE_KINDS.map((value) => ({ value, label: KIND_LABELS[value] }))}
      />
      {kind === 'binder' ? (
        <>
          <Choice
            label="What it does to what it meets"
            value={reducing}
            onChange={setReducing}
            options={REDUCING.map((value) => ({ value, label: REDUCES[value] }))}
          />
          {reducing === 'unknown' ? (
            <Remark tone="caution">
              A silent label counts as one that reduces: never with copper.
            </Remark>
          ) : null}
        </>
      ) : (
        <>
          <Field
            label="The label's range, from"
            kind="number"
            unit={unit}
            value={low}
            onChange={setLow}
          />
          <Field label="to" kind="number" unit={unit} value={high} onChange={setHigh} />
          <Field
            label="In the unit that its test reads"
            value={unit}
            placeholder="mg/L"
            onChange={setUnit}
          />
          <Field
            label="By how much 1 mL raises 1 L"
            kind="number"
            unit={unit}
            value={strength}
            hint="From the label; without it no dilution is worked out."
            onChange={setStrength}
          />
          <Field label="Days it is kept up" kind="number" value={days} onChange={setDays} />
        </>
      )}
      {(
        [
          ['lowersOxygen', 'Lowers oxygen'],
          ['harmsFilter', 'Harms the filter'],
          ['harmsInvertebrates', 'Harms invertebrates and corals'],
          ['carbonOut', 'Carbon and skimmer take it out'],
        ] as const
      ).map(([field, label]) => (
        <Tick
          key={field}
          label={label}
          value={says[field]}
          onChange={(value) => setSays({ ...says, [field]: value })}
        />
      ))}
      {wrong && (name !== '' || wrong !== 'name') ? (
        <Remark tone="watch">{WRONG[wrong] ?? 'Something in it is not as a label has it.'}</Remark>
      ) : null}
      <ButtonRow>
        <Button
          kind="primary"
          label="Save the label"
          disabled={!made.success}
          onPress={() => {
            if (!made.success) return;
            const { data } = made;
            void dispatch(
              recordAct(
                (act) => (head ? act.revise(head, data) : void act.create('medicine', data)),
                'Label saved',
              ),
            );
            onDone();
          }}
        />
        <Button label="Leave it" onPress={onDone} />
      </ButtonRow>
    </View>
  );
}
