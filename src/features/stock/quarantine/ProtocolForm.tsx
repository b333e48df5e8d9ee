import { useState } from 'react';
import { View } from 'react-native';
import { PARAMETERS } from '@/core/parameters/registry';
import { TESTED, type Protocol } from '@/core/records/schema/protocol';
import type { RevisionOf } from '@/core/records/schema/revision';
import { FormRemarks } from '@/forms/FormRemarks';
import { SaveRow } from '@/forms/SaveRow';
import { useRecordForm } from '@/forms/useRecordForm';
import { Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Button, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import {
  formOfProtocol,
  protocolFields,
  readProtocol,
  type ProtocolFields,
} from './protocolFields';

/** A protocol of the keeper's own: its days, its stages with what each does, what is tested. */
export function ProtocolForm({
  head,
  onDone,
}: {
  head: RevisionOf<'protocol'>;
  onDone: () => void;
}) {
  const [start] = useState(() => formOfProtocol(head.body));
  const [read] = useState(() => (form: ProtocolFields) => readProtocol(head.body, form));
  const record = useRecordForm<ProtocolFields, Protocol, 'protocol'>({
    name: `quarantine/protocol/${head.id}`,
    fields: protocolFields,
    read,
    start,
    editing: head,
    formOf: formOfProtocol,
  });
  const { form, set, errors } = record;
  const stageTo = (place: number, changes: Partial<ProtocolFields['stages'][number]>) =>
    set({
      stages: form.stages.map((stage, i) => (i === place ? { ...stage, ...changes } : stage)),
    });
  const save = async () => {
    const saved = await record.save(
      (act, protocol, settles) => act.revise(head, protocol, settles),
      'Protocol saved',
    );
    if (saved) onDone();
  };
  return (
    <View style={{ gap: 12 }}>
      <FormRemarks form={record} />
      <Field
        label="Its name"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <Field
        label="Clear days"
        kind="number"
        value={form.days}
        error={errors.days}
        onChange={(days) => set({ days })}
      />
      <Field
        label="What it trades"
        kind="many"
        value={form.trades}
        error={errors.trades}
        onChange={(trades) => set({ trades })}
      />
      {form.stages.map(({ name, fromDay, does, onSign, treats }, place) => (
        // Stages have no name but their place while they are typed.
        <View key={place} style={{ gap: 8 }}>
          <SectionHead
            title={`Stage ${place + 1}`}
            end={
              <LinkButton
                soft
                label={`Take stage ${place + 1} out`}
                onPress={() => set({ stages: form.stages.filter((_, i) => i !== place) })}
              />
            }
          />
          <Field
            label={`Stage ${place + 1} is called`}
            value={name}
            onChange={(text) => stageTo(place, { name: text })}
          />
          <Tick
            label={`Stage ${place + 1} is asked on a sign only`}
            value={onSign}
            onChange={(value) => stageTo(place, { onSign: value })}
          />
          {onSign ? null : (
            <Field
              label={`Stage ${place + 1} begins on clear day`}
              kind="number"
              value={fromDay}
              onChange={(text) => stageTo(place, { fromDay: text })}
            />
          )}
          <Tick
            label={`In stage ${place + 1} a medicine goes in`}
            note="Asked only once its label is on record."
            value={treats}
            onChange={(value) => stageTo(place, { treats: value })}
          />
          <Field
            label={`What stage ${place + 1} does, a line each`}
            kind="many"
            value={does}
            onChange={(text) => stageTo(place, { does: text })}
          />
        </View>
      ))}
      {errors.stages ? <Remark tone="watch">{errors.stages}</Remark> : null}
      <Button
        label="Another stage"
        disabled={form.stages.length >= 10}
        onPress={() =>
          set({
            stages: [
              ...form.stages,
              { name: '', fromDay: '', does: '', onSign: false, treats: false, afterHeld: false },
            ],
          })
        }
      />
      <SectionHead title="Moves between two tanks" />
      <Field
        label="How many moves; empty for none"
        kind="number"
        value={form.moves}
        error={errors.moves}
        onChange={(moves) => set({ moves })}
      />
      <Field
        label="At most so many hours apart"
        kind="number"
        unit="h"
        value={form.everyHours}
        error={errors.everyHours}
        onChange={(everyHours) => set({ everyHours })}
      />
      <SectionHead title="Tested every so many days" />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {TESTED.map((parameter) => (
          <Field
            key={parameter}
            style={{ flexGrow: 1, flexBasis: 120 }}
            label={PARAMETERS[parameter].name}
            kind="number"
            unit="days"
            value={form.tests[parameter] ?? ''}
            onChange={(text) => set({ tests: { ...form.tests, [parameter]: text } })}
          />
        ))}
      </View>
      {errors.tests ? <Remark tone="watch">{errors.tests}</Remark> : null}
      <Field
        label="Before release, a line each"
        kind="many"
        value={form.release}
        error={errors.release}
        onChange={(release) => set({ release })}
      />
      <Field
        label="What restarts it, and for whom"
        kind="many"
        value={form.restarts}
        error={errors.restarts}
        onChange={(restarts) => set({ restarts })}
      />
      <SaveRow record={record} onSave={save} onLeave={onDone} />
    </View>
  );
}
