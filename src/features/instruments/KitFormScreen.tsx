import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { PARAMETER_IDS, PARAMETERS } from '@/core/parameters/registry';
import { kitFrom } from '@/core/records/kitTemplates';
import { liveHead } from '@/core/records/log';
import { hasReadings } from '@/core/records/readingsOf';
import type { Kit } from '@/core/records/schema/kit';
import type { RevisionOf } from '@/core/records/schema/revision';
import { dayOf } from '@/core/time/zone';
import { unitSymbol, type Unit } from '@/core/units/units';
import { recordAct } from '@/store/record';
import { selectKits, selectLog, selectNow, selectZone } from '@/store/selectors';
import { FormRemarks } from '@/forms/FormRemarks';
import { FormFooter } from '@/forms/FormFooter';
import { useRecordForm } from '@/forms/useRecordForm';
import { to } from '@/frame/addresses';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { formOfKit, kitFormSchema, readKit, withParameter, type KitForm } from './kitForm';

/** Describes a kit or an instrument, or changes one. */
export function KitFormScreen({ id }: { id?: string }) {
  const head = useAppSelector((state) => liveHead(selectLog(state), id ?? null, 'kit'));
  if (id && !head) {
    return (
      <Screen>
        <Opening title="This instrument is gone.">
          It was removed, or belongs to another log. Its readings are kept.
        </Opening>
      </Screen>
    );
  }
  return <Editor key={id ?? 'new'} editing={head ?? undefined} />;
}

function unitLabel(unit: Unit): string {
  return unit === 'pH' ? 'pH' : unitSymbol(unit);
}

function Editor({ editing }: { editing?: RevisionOf<'kit'> }) {
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const used = useAppSelector((state) => Boolean(editing) && hasReadings(state.log, editing?.id));
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [start] = useState(() =>
    formOfKit(editing?.body ?? { ...kitFrom('ammoniaCard', 0), name: '' }),
  );
  const [order] = useState(
    () => editing?.body.order ?? Math.max(-1, ...kits.map((kit) => kit.body.order)) + 1,
  );
  const [read] = useState(() => (form: KitForm) => readKit(form, order));
  const record = useRecordForm<KitForm, Kit, 'kit'>({
    name: `kit/${editing?.id ?? 'new'}`,
    fields: kitFormSchema,
    read,
    start,
    editing,
    formOf: formOfKit,
  });
  const { form, set, errors, reading: result } = record;
  const leave = () => (router.canGoBack() ? router.back() : router.replace(to.instruments));
  const save = async () => {
    const recorded = await record.save(
      (act, kit, settles) => {
        if (editing) act.revise(editing, kit, settles);
        else act.create('kit', kit);
      },
      (kit) => `Saved ${kit.name}`,
    );
    if (recorded) leave();
  };
  const remove = async () => {
    if (!editing || record.busy) return;
    await dispatch(recordAct((act) => act.remove(editing), `Removed ${editing.body.name}`));
    record.discard();
    leave();
  };
  const unit = unitLabel(form.unit);
  const zone = useAppSelector(selectZone);
  return (
    <Screen
      footer={
        <FormFooter
          record={record}
          save="Save"
          onSave={save}
          onLeave={leave}
          before={
            editing ? <Button kind="danger" label="Remove" onPress={() => void remove()} /> : null
          }
        />
      }
    >
      <Opening title={editing ? 'Change an instrument.' : 'A new instrument.'}>
        Copy the card or the display as it is: readings are taken on these very steps.
      </Opening>
      <FormRemarks form={record} labels={{ lot: 'Lot', steps: 'The steps on the card' }} />
      <Field
        label="Name"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      {used ? (
        <Words as="body">
          {`It measures **${PARAMETERS[form.parameter].inSentence}**. Readings were made with it, so that stays; for another parameter add another instrument.`}
        </Words>
      ) : (
        <Choice
          label="It measures"
          value={form.parameter}
          onChange={(parameter) => set(withParameter(form, parameter))}
          options={PARAMETER_IDS.map((id) => ({ value: id, label: PARAMETERS[id].name }))}
        />
      )}
      <Choice
        label={PARAMETERS[form.parameter].zeroBased ? 'In, and as what' : 'In'}
        value={form.unit}
        onChange={(next) => set({ unit: next })}
        options={PARAMETERS[form.parameter].units.map((u) => ({ value: u, label: unitLabel(u) }))}
      />
      <Choice
        label="It is read"
        value={form.form}
        onChange={(next) => set({ form: next })}
        options={[
          { value: 'card', label: 'Against a card' },
          { value: 'digital', label: 'As a number' },
        ]}
      />
      {form.form === 'card' ? (
        <Field
          label="The steps on the card"
          value={form.steps}
          hint={`In ${unit || 'its unit'}, lowest first, with spaces: 0 0.25 0.5 1 2 4`}
          error={errors.steps}
          onChange={(steps) => set({ steps })}
        />
      ) : (
        <>
          <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
            <Field
              style={{ flexGrow: 1, flexBasis: 130 }}
              label="Smallest step it shows"
              kind="number"
              unit={unit}
              value={form.resolution}
              error={errors.resolution}
              onChange={(resolution) => set({ resolution })}
            />
            <Field
              style={{ flexGrow: 1, flexBasis: 130 }}
              label="Its maker’s ±"
              kind="number"
              unit={unit}
              value={form.accuracy}
              error={errors.accuracy}
              onChange={(accuracy) => set({ accuracy })}
            />
          </View>
          {form.parameter === 'salinity' ? (
            <Tick
              label="It corrects for temperature itself"
              note="A plain floating hydrometer does not; then the temperature of the same test session is used."
              value={form.compensated}
              onChange={(compensated) => set({ compensated })}
            />
          ) : null}
        </>
      )}
      {form.parameter === 'nitrate' ? (
        <Tick
          label="It works by reduction"
          note="Most cards do: they turn nitrate into nitrite first, so they read nitrite as well."
          value={form.reduction}
          onChange={(reduction) => set({ reduction })}
        />
      ) : null}
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Field
          style={{ flexGrow: 1, flexBasis: 130 }}
          label="Wait before reading"
          unit="min"
          kind="number"
          value={form.waitMinutes}
          error={errors.waitMinutes}
          onChange={(waitMinutes) => set({ waitMinutes })}
        />
        <Field
          style={{ flexGrow: 1, flexBasis: 130 }}
          label="Lot"
          placeholder="not printed"
          value={form.lot}
          error={errors.lot}
          onChange={(lot) => set({ lot })}
        />
      </View>
      <DayField
        label="Good until"
        value={form.expiresOn}
        today={dayOf(now, zone)}
        hint="Leave it empty if no date is printed."
        error={errors.expiresOn}
        onChange={(expiresOn) => set({ expiresOn })}
      />
      {form.form === 'card' || form.parameter === 'alkalinity' || form.packTests !== '' ? (
        <Field
          label="Tests in a fresh pack"
          kind="number"
          value={form.packTests}
          error={errors.packTests}
          hint="Leave it empty where they are not counted."
          onChange={(packTests) =>
            set({ packTests, packSince: form.packSince || dayOf(now, zone) })
          }
        />
      ) : null}
      {form.packTests === '' ? null : (
        <DayField
          label="This pack is in use since"
          value={form.packSince}
          today={dayOf(now, zone)}
          error={errors.packSince}
          onChange={(packSince) => set({ packSince })}
        />
      )}
      {form.form === 'digital' ? (
        <Field
          label="Checked against a standard every"
          kind="number"
          unit="days"
          value={form.calibrateDays}
          error={errors.calibrateDays}
          hint="Empty for what is usual: 30 for salinity and pH, 180 for a thermometer."
          onChange={(calibrateDays) => set({ calibrateDays })}
        />
      ) : null}
      <Tick
        label="It has a row on the test sheet"
        note="Others are added to a test session when they are needed."
        value={form.inUse}
        onChange={(inUse) => set({ inUse })}
      />
      {editing && result.ok && result.value.unit !== editing.body.unit ? (
        <Remark tone="watch" title="This changes past readings">
          Readings made with it on a card or on a basis are counted in the new unit from now on.
        </Remark>
      ) : null}
    </Screen>
  );
}
