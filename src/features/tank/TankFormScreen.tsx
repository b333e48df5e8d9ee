import { useRouter } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { liveHead } from '@/core/records/log';
import type { KitTemplateId } from '@/core/parameters/registry';
import { FIRST_KITS, KIT_TEMPLATES, kitFrom } from '@/core/records/kitTemplates';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Tank } from '@/core/records/schema/tank';
import { dayOf, dayStart, isoInZone } from '@/core/time/zone';
import { recordAct } from '@/store/record';
import { selectKits, selectLog, selectNow, selectSettings } from '@/store/selectors';
import { FormRemarks } from '@/forms/FormRemarks';
import { useRecordForm } from '@/forms/useRecordForm';
import { to } from '@/frame/addresses';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { tankChosen } from '@/store/sessionSlice';
import { Button } from '@/ui/Press';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Footer } from '@/ui/Footer';
import { Opening, Screen } from '@/ui/Screen';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { FirstTests } from './FirstTests';
import { factsOf, NO_FACTS, writeFacts } from './tankFacts';
import {
  emptyTankForm,
  formOfTank,
  readTank,
  tankFormSchema,
  volumeOfForm,
  type TankAndFacts,
  type TankForm,
} from './tankForm';
import { VolumeWorking } from './VolumeWorking';

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  field: { flexGrow: 1, flexBasis: 104 },
});

const LABELS = {
  name: 'Name',
  kind: 'Kind',
  labelVolume: 'Volume on the label',
  rockMass: 'Rock, dry',
  sandDepth: 'Sand depth',
  lid: 'Lid',
  light: 'Light',
};

/** Sets up a tank, or changes one. */
export function TankFormScreen({ id }: { id?: string }) {
  const head = useAppSelector((state) => liveHead(selectLog(state), id ?? null, 'tank'));
  if (id && !head) {
    return (
      <Screen>
        <Opening title="This tank is gone.">
          It was removed, or belongs to another log. Data shows what was changed lately.
        </Opening>
      </Screen>
    );
  }
  return <Editor key={id ?? 'new'} editing={head ?? undefined} />;
}

function Fields({ children }: { children: ReactNode }) {
  return <View style={styles.fields}>{children}</View>;
}

function Editor({ editing }: { editing?: RevisionOf<'tank'> }) {
  const settings = useAppSelector(selectSettings);
  const log = useAppSelector(selectLog);
  const kits = useAppSelector(selectKits);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const wide = useWide();
  const zone = editing?.body.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  const today = dayOf(now, zone);
  const [facts] = useState(() => (editing ? factsOf(log, editing.id, zone) : NO_FACTS));
  const [formOf] = useState(() => (tank: Tank) => formOfTank(tank, facts, settings));
  const [start] = useState(() => (editing ? formOf(editing.body) : emptyTankForm(today)));
  const kept = editing?.body;
  const read = useMemo(
    () => (form: TankForm) => readTank(form, settings, { today, zone, kept }),
    [settings, today, zone, kept],
  );
  const record = useRecordForm<TankForm, TankAndFacts, 'tank'>({
    name: `tank/${editing?.id ?? 'new'}`,
    fields: tankFormSchema,
    read,
    start,
    editing,
    formOf,
  });
  const { form, set, errors } = record;
  const [tests, setTests] = useState<readonly KitTemplateId[]>(FIRST_KITS);
  const [removing, setRemoving] = useState(false);
  const volume = volumeOfForm(form, settings);
  const firstTank = !editing && kits.length === 0;

  const field = (name: keyof TankForm, label: string, unit?: string, hint?: string) => (
    <Field
      style={styles.field}
      label={label}
      unit={unit}
      kind="number"
      hint={hint}
      value={String(form[name])}
      error={errors[name]}
      onChange={(text) => set({ [name]: text })}
    />
  );
  const save = async () => {
    let tankId = editing?.id ?? '';
    const recorded = await record.save(
      (act, value, settles) => {
        if (editing) act.revise(editing, value.tank, settles);
        else tankId = act.create('tank', value.tank);
        writeFacts({ act, log, tankId, zone, now }, facts, value.facts);
        if (!editing && value.tank.lightPlan === 'on' && value.facts.filledOn !== null) {
          const at = isoInZone(dayStart(value.facts.filledOn, zone), zone);
          act.create('entry', { kind: 'light', tankId, at, state: 'on' });
        }
        if (firstTank) {
          KIT_TEMPLATES.filter(({ id }) => tests.includes(id)).forEach(({ id }, order) =>
            act.create('kit', kitFrom(id, order)),
          );
        }
      },
      (value) => (editing ? 'Changed the tank' : `Set up ${value.tank.name}`),
    );
    if (!recorded) return;
    dispatch(tankChosen(tankId));
    router.replace(to.today);
  };
  const remove = async () => {
    if (!editing || removing) return;
    setRemoving(true);
    await dispatch(recordAct((act) => act.remove(editing), `Removed ${editing.body.name}`));
    record.discard();
    dispatch(tankChosen(null));
    router.replace(to.tanks);
  };
  const missing = Object.keys(errors);
  const { lengthUnit, volumeUnit, massUnit } = settings;
  return (
    <Screen
      aside={volume ? <VolumeWorking volume={volume} unit={volumeUnit} /> : undefined}
      footer={
        <Footer>
          <Button
            label="Cancel"
            onPress={() => {
              record.discard();
              if (router.canGoBack()) router.back();
              else router.replace(to.today);
            }}
          />
          <Button
            kind="primary"
            label={editing ? 'Save the change' : 'Set up this tank'}
            disabled={record.busy}
            onPress={() => void save()}
            style={{ flex: 1 }}
          />
        </Footer>
      }
    >
      <Opening title={editing ? 'Change the tank.' : 'Your tank.'}>
        {editing
          ? 'What you change here changes every sum that rests on it; the old record stays in the history.'
          : 'Its water first: every dose and every change is sized by it. You can mend any of this later.'}
      </Opening>
      <FormRemarks form={record} labels={LABELS} />
      {missing.length > 0 ? (
        <Remark tone="watch" title="Not saved yet">
          {`${missing.length === 1 ? 'One field needs' : `${missing.length} fields need`} a look; what you typed is kept.`}
        </Remark>
      ) : null}
      <Field
        label="Name"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <Choice
        label="Kind"
        value={form.kind}
        onChange={(kind) => set({ kind })}
        options={[
          { value: 'display', label: 'Display' },
          { value: 'quarantine', label: 'Quarantine' },
          { value: 'other', label: 'Other' },
        ]}
      />
      <Choice
        label="Where it stands"
        value={form.stage}
        onChange={(stage) => set({ stage })}
        options={[
          { value: 'empty', label: 'Not filled' },
          { value: 'filled', label: 'Filled, cycling' },
          { value: 'running', label: 'Already running' },
        ]}
      />
      {form.stage !== 'empty' ? (
        <>
          <DayField
            label="Filled on"
            value={form.filledOn}
            today={today}
            error={errors.filledOn}
            onChange={(filledOn) => set({ filledOn })}
          />
          {form.stage === 'running' ? (
            <DayField
              label="Cycled, with animals, since"
              value={form.runningSince}
              today={today}
              error={errors.runningSince}
              onChange={(runningSince) => set({ runningSince })}
            />
          ) : null}
        </>
      ) : null}
      <SectionHead title="The water" />
      <Choice
        label="Size by"
        value={form.shellBy}
        onChange={(shellBy) => set({ shellBy })}
        options={[
          { value: 'dimensions', label: 'Dimensions' },
          { value: 'label', label: 'The label' },
        ]}
      />
      {form.shellBy === 'dimensions' ? (
        <Fields>
          {field('length', 'Length', lengthUnit)}
          {field('width', 'Width', lengthUnit)}
          {field('height', 'Height', lengthUnit)}
          {field('glass', 'Glass', 'mm')}
          {field('fillGap', 'Water below rim', lengthUnit)}
        </Fields>
      ) : (
        field('labelVolume', 'Volume on the label', volumeUnit)
      )}
      <Fields>
        {field('rockMass', 'Rock, dry', massUnit)}
        {field('sandDepth', 'Sand depth', lengthUnit)}
        {field('rockDensity', 'Rock density', 'kg/L', 'Porous rock about 2')}
      </Fields>
      <Choice
        label="Sump"
        value={form.sumpBy}
        onChange={(sumpBy) => set({ sumpBy })}
        options={[
          { value: 'none', label: 'None' },
          { value: 'litres', label: 'By volume' },
          { value: 'box', label: 'By size' },
        ]}
      />
      {form.sumpBy === 'litres' ? field('sumpVolume', 'Water in the sump', volumeUnit) : null}
      {form.sumpBy === 'box' ? (
        <Fields>
          {field('sumpLength', 'Inside length', lengthUnit)}
          {field('sumpWidth', 'Inside width', lengthUnit)}
          {field('sumpDepth', 'Water depth, pump on', lengthUnit)}
        </Fields>
      ) : null}
      <Choice
        label="Was the fill measured?"
        value={form.fillBy}
        onChange={(fillBy) => set({ fillBy })}
        options={[
          { value: 'none', label: 'No' },
          { value: 'litres', label: 'Counted' },
          { value: 'rate', label: 'By time' },
        ]}
      />
      {form.fillBy === 'litres' ? field('fillVolume', 'Water that went in', volumeUnit) : null}
      {form.fillBy === 'rate' ? (
        <Fields>
          {field('fillMinutes', 'Time it ran', 'min')}
          {field('fillRate', 'Made in a minute', `${volumeUnit}/min`)}
        </Fields>
      ) : null}
      {volume && !wide ? null : volume ? null : (
        <Words as="soft">The net water and its working appear once the sizes are in.</Words>
      )}
      <SectionHead title="Rock and light" />
      <Choice
        label="Rock"
        value={form.rock}
        onChange={(rock) => set({ rock })}
        options={[
          { value: 'dryRock', label: 'Dry' },
          { value: 'organicDryRock', label: 'Dry, with old organics' },
          { value: 'liveRock', label: 'Live' },
          { value: 'establishedMedia', label: 'From another tank' },
          { value: 'none', label: 'None' },
        ]}
      />
      <Choice
        label={editing ? 'Light planned for the cycle' : 'Light during the cycle'}
        value={form.light}
        onChange={(light) => set({ light })}
        options={[
          { value: 'off', label: 'Off' },
          { value: 'on', label: 'On' },
          { value: 'onWithSand', label: 'Off until sand is in' },
        ]}
      />
      <SectionHead title="Before the first fish" />
      <Tick
        label="A lid or mesh is fitted"
        note="Every new fish jumps when stressed."
        value={form.lid}
        onChange={(lid) => set({ lid })}
      />
      <DayField
        label="Heater held against a thermometer on"
        value={form.heaterVerifiedOn}
        today={today}
        hint="Leave it empty if it has not been. Unplug it before hands go in."
        error={errors.heaterVerifiedOn}
        onChange={(heaterVerifiedOn) => set({ heaterVerifiedOn })}
      />
      <Button label="It was today" onPress={() => set({ heaterVerifiedOn: today })} />
      {firstTank ? <FirstTests tests={tests} onChange={setTests} /> : null}
      {editing ? (
        <Button kind="danger" label="Remove this tank" onPress={() => void remove()} />
      ) : null}
    </Screen>
  );
}
