import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { PARAMETER_IDS, PARAMETERS } from '@/core/parameters/registry';
import { kitFrom } from '@/core/records/kitTemplates';
import { headOf, isType } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { dayOf } from '@/core/time/zone';
import { unitSymbol, type Unit } from '@/core/units/units';
import { recordAct } from '@/store/record';
import { selectKits, selectLog, selectNow } from '@/store/selectors';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Footer } from '@/ui/Footer';
import { Opening, Screen } from '@/ui/Screen';
import { formOfKit, kitFormSchema, readKit, withParameter, type KitForm } from './kitForm';

/** Describes a kit or an instrument, or changes one. */
export function KitFormScreen({ id }: { id?: string }) {
  const head = useAppSelector((state) => (id ? headOf(selectLog(state), id) : undefined));
  if (id && !(head && isType(head, 'kit') && !head.deleted)) {
    return (
      <Screen>
        <Opening title="This instrument is gone.">
          It was removed, or belongs to another log. Its readings are kept.
        </Opening>
      </Screen>
    );
  }
  return <Editor key={id ?? 'new'} editing={head && isType(head, 'kit') ? head : undefined} />;
}

function unitLabel(unit: Unit): string {
  return unit === 'pH' ? 'pH' : unitSymbol(unit);
}

function Editor({ editing }: { editing?: RevisionOf<'kit'> }) {
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [start] = useState(() =>
    formOfKit(editing?.body ?? { ...kitFrom('ammoniaCard', 0), name: '' }),
  );
  const [form, setForm] = useDraft<KitForm>(`kit/${editing?.id ?? 'new'}`, kitFormSchema, start);
  const [shown, setShown] = useState(false);
  const set = (changes: Partial<KitForm>) => setForm({ ...form, ...changes });
  const order = editing?.body.order ?? Math.max(-1, ...kits.map((kit) => kit.body.order)) + 1;
  const result = readKit(form, order);
  const errors = shown && !result.ok ? result.errors : {};
  const leave = () => (router.canGoBack() ? router.back() : router.replace('/instruments'));
  const save = async () => {
    setShown(true);
    if (!result.ok) return;
    await dispatch(
      recordAct(
        (act) => (editing ? act.revise(editing, result.kit) : act.create('kit', result.kit)),
        `Saved ${result.kit.name}`,
      ),
    );
    setForm(null);
    leave();
  };
  const remove = async () => {
    if (!editing) return;
    await dispatch(recordAct((act) => act.remove(editing), `Removed ${editing.body.name}`));
    setForm(null);
    leave();
  };
  const unit = unitLabel(form.unit);
  return (
    <Screen
      footer={
        <Footer>
          {editing ? <Button kind="danger" label="Remove" onPress={() => void remove()} /> : null}
          <Button label="Cancel" onPress={leave} />
          <Button kind="primary" label="Save" onPress={() => void save()} style={{ flex: 1 }} />
        </Footer>
      }
    >
      <Opening title={editing ? 'Change an instrument.' : 'A new instrument.'}>
        Copy the card or the display as it is: readings are taken on these very steps.
      </Opening>
      <Field
        label="Name"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <Choice
        label="It measures"
        value={form.parameter}
        onChange={(parameter) => setForm(withParameter(form, parameter))}
        options={PARAMETER_IDS.map((id) => ({ value: id, label: PARAMETERS[id].name }))}
      />
      <Choice
        label={
          ['ammonia', 'nitrite', 'nitrate', 'phosphate'].includes(form.parameter)
            ? 'In, and as what'
            : 'In'
        }
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
              note="A plain floating hydrometer does not; then the temperature of the same sitting is used."
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
          onChange={(lot) => set({ lot })}
        />
      </View>
      <DayField
        label="Good until"
        value={form.expiresOn}
        today={dayOf(now, 'UTC')}
        hint="Leave it empty if no date is printed."
        error={errors.expiresOn}
        onChange={(expiresOn) => set({ expiresOn })}
      />
      <Tick
        label="It has a row on the test sheet"
        note="Others are added to a sitting when they are needed."
        value={form.inUse}
        onChange={(inUse) => set({ inUse })}
      />
      {editing && result.ok && result.kit.unit !== editing.body.unit ? (
        <Remark tone="watch" title="This changes past readings">
          Readings made with it on a card or on a basis are counted in the new unit from now on.
        </Remark>
      ) : null}
    </Screen>
  );
}
