import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FIRST_KITS, kitFrom } from '@/core/records/kitTemplates';
import type { Tank } from '@/core/records/schema/tank';
import { dayOf } from '@/core/time/zone';
import { FormFooter } from '@/forms/FormFooter';
import { useRecordForm } from '@/forms/useRecordForm';
import { to } from '@/frame/addresses';
import { useLeave } from '@/frame/useLeave';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectKits, selectLog, selectNow, selectSettings } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { Choice, OptionList } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { emptySetUp, readSetUp, setUpSchema, type SetUpForm } from './setUpForm';
import { NO_FACTS, writeFacts, type TankFacts } from '@/core/tank/tankFacts';

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  field: { flexGrow: 1, flexBasis: 96 },
});

const SINCE = {
  cycling: 'Water went in on',
  running: 'It has run since',
  moving: 'It has run since',
} as const;

/** A new tank by three answers; the rest is asked where it first matters. */
export function SetUpScreen() {
  const settings = useAppSelector(selectSettings);
  const log = useAppSelector(selectLog);
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const leave = useLeave();
  const [zone] = useState(() => Intl.DateTimeFormat().resolvedOptions().timeZone);
  const today = dayOf(now, zone);
  const [start] = useState(() => emptySetUp(today));
  const read = useMemo(
    () => (form: SetUpForm) => readSetUp(form, settings, { today, zone }),
    [settings, today, zone],
  );
  const record = useRecordForm<SetUpForm, { tank: Tank; facts: TankFacts }, 'tank'>({
    name: 'tank/new',
    fields: setUpSchema,
    read,
    start,
  });
  const { form, set, errors } = record;
  const firstTank = kits.length === 0;
  const save = async () => {
    let tankId = '';
    const recorded = await record.save(
      (act, value) => {
        tankId = act.create('tank', value.tank);
        writeFacts({ act, log, tankId, zone, now }, NO_FACTS, value.facts);
        // The tests most keepers begin with; which are owned is asked on the test sheet.
        if (firstTank) FIRST_KITS.forEach((id, order) => act.create('kit', kitFrom(id, order)));
      },
      ({ tank }) => `Set up ${tank.name}`,
    );
    if (!recorded) return;
    dispatch(tankChosen(tankId));
    router.replace(form.stage === 'moving' ? to.moving('move') : to.today);
  };
  const side = (name: 'length' | 'width' | 'height', label: string) => (
    <Field
      style={styles.field}
      label={label}
      unit={settings.lengthUnit}
      kind="number"
      value={form[name]}
      error={errors[name]}
      onChange={(text) => set({ [name]: text })}
    />
  );
  return (
    <Screen
      footer={<FormFooter record={record} save="Set up this tank" onSave={save} onLeave={leave} />}
    >
      <Opening title="Your tank, in three answers.">
        What it is called, its size, and where it stands. Rock, sump and the rest are asked where
        they first change something.
      </Opening>
      <Field
        label="Name"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <Choice
        label="Size"
        value={form.sizeBy}
        onChange={(sizeBy) => set({ sizeBy })}
        options={[
          { value: 'label', label: 'As on the label' },
          { value: 'dimensions', label: 'Measured' },
        ]}
      />
      {form.sizeBy === 'label' ? (
        <Field
          label="Volume on the label"
          unit={settings.volumeUnit}
          kind="number"
          value={form.label}
          error={errors.label}
          onChange={(label) => set({ label })}
        />
      ) : (
        <View style={styles.fields}>
          {side('length', 'Length')}
          {side('width', 'Width')}
          {side('height', 'Height')}
        </View>
      )}
      <View>
        <Words as="strong">Where it stands</Words>
        <OptionList
          label="Where it stands"
          value={form.stage}
          onChange={(stage) => set({ stage })}
          options={[
            { value: 'empty', label: 'Empty', note: 'Being built, no water in it yet' },
            { value: 'cycling', label: 'Cycling', note: 'Filled, without animals' },
            { value: 'running', label: 'Running', note: 'Cycled, with animals' },
            { value: 'moving', label: 'Moving house', note: 'Running, and soon elsewhere' },
          ]}
        />
      </View>
      {form.stage === 'empty' ? null : (
        <DayField
          label={SINCE[form.stage]}
          value={form.since}
          today={today}
          hint={form.stage === 'cycling' ? undefined : 'About is near enough.'}
          error={errors.since}
          onChange={(since) => set({ since })}
        />
      )}
    </Screen>
  );
}
