import type { ComponentType, ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { CAUTIONS } from '@/core/cautions';
import type { Settings } from '@/core/records/schema/settings';
import type { FormErrors } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice, Tick } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import type { Part } from '@/core/tank/description';
import type { TankForm } from './tankForm';

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  field: { flexGrow: 1, flexBasis: 104 },
});

export interface PartProps {
  form: TankForm;
  set: (changes: Partial<TankForm>) => void;
  errors: FormErrors<TankForm>;
  settings: Settings;
  today: string;
}

function Together({ children }: { children: ReactNode }) {
  return <View style={styles.fields}>{children}</View>;
}

/** The number fields of a form, each by its name. */
function numbersOf({ form, set, errors }: PartProps) {
  return function number(name: keyof TankForm, label: string, unit?: string, hint?: string) {
    return (
      <Field
        key={name}
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
  };
}

function NameFields({ form, set, errors }: PartProps) {
  return (
    <>
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
    </>
  );
}

function ShellFields(props: PartProps) {
  const { form, set, settings } = props;
  const number = numbersOf(props);
  const { lengthUnit, volumeUnit } = settings;
  return (
    <>
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
        <Together>
          {number('length', 'Length', lengthUnit)}
          {number('width', 'Width', lengthUnit)}
          {number('height', 'Height', lengthUnit)}
          {number('glass', 'Glass', 'mm')}
          {number('fillGap', 'Water below rim', lengthUnit)}
        </Together>
      ) : (
        number('labelVolume', 'Volume on the label', volumeUnit)
      )}
    </>
  );
}

function RockFields(props: PartProps) {
  const { form, set, settings } = props;
  const number = numbersOf(props);
  return (
    <>
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
      {form.rock === 'liveRock' ? (
        <>
          <Remark>
            Live rock brings bacteria at once, and hitch-hikers: look for pest anemones and mantis
            shrimps before it goes in.
          </Remark>
          <CautionRemark caution={CAUTIONS.rockHands} />
        </>
      ) : null}
      <Together>
        {number('rockMass', 'Rock, dry', settings.massUnit)}
        {number('sandDepth', 'Sand depth', settings.lengthUnit)}
        {number('rockDensity', 'Rock density', 'kg/L', 'Porous rock about 2')}
      </Together>
    </>
  );
}

function SumpFields(props: PartProps) {
  const { form, set, settings } = props;
  const number = numbersOf(props);
  return (
    <>
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
      {form.sumpBy === 'litres'
        ? number('sumpVolume', 'Water in the sump', settings.volumeUnit)
        : null}
      {form.sumpBy === 'box' ? (
        <Together>
          {number('sumpLength', 'Inside length', settings.lengthUnit)}
          {number('sumpWidth', 'Inside width', settings.lengthUnit)}
          {number('sumpDepth', 'Water depth, pump on', settings.lengthUnit)}
        </Together>
      ) : null}
    </>
  );
}

function FillFields(props: PartProps) {
  const { form, set, settings } = props;
  const number = numbersOf(props);
  return (
    <>
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
      {form.fillBy === 'litres'
        ? number('fillVolume', 'Water that went in', settings.volumeUnit)
        : null}
      {form.fillBy === 'rate' ? (
        <Together>
          {number('fillMinutes', 'Time it ran', 'min')}
          {number('fillRate', 'Made in a minute', `${settings.volumeUnit}/min`)}
        </Together>
      ) : null}
    </>
  );
}

function LightFields({ form, set }: PartProps) {
  return (
    <Choice
      label="Light planned for the cycle"
      value={form.light}
      onChange={(light) => set({ light })}
      options={[
        { value: 'off', label: 'Off' },
        { value: 'on', label: 'On' },
        { value: 'onWithSand', label: 'Off until sand is in' },
        { value: 'fullBeforeStocking', label: 'Full before stocking' },
      ]}
    />
  );
}

function StageFields({ form, set, errors, today }: PartProps) {
  return (
    <>
      <Choice
        label="Where it stands"
        value={form.stage}
        onChange={(stage) => set({ stage, filledOn: form.filledOn || today })}
        options={[
          { value: 'empty', label: 'Not filled' },
          { value: 'filled', label: 'Filled, cycling' },
          { value: 'running', label: 'Already running' },
        ]}
      />
      {form.stage === 'empty' ? null : (
        <DayField
          label="Filled on"
          value={form.filledOn}
          today={today}
          error={errors.filledOn}
          onChange={(filledOn) => set({ filledOn })}
        />
      )}
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
  );
}

function GateFields({ form, set, errors, today }: PartProps) {
  return (
    <>
      <Tick
        label="A lid or mesh is fitted"
        note="Every new fish jumps when stressed."
        value={form.lid}
        onChange={(lid) => set({ lid })}
      />
      <DayField
        label="Heater checked against a thermometer on"
        value={form.heaterVerifiedOn}
        today={today}
        hint="Leave it empty if it has not been."
        error={errors.heaterVerifiedOn}
        onChange={(heaterVerifiedOn) => set({ heaterVerifiedOn })}
      />
      <Button label="It was today" onPress={() => set({ heaterVerifiedOn: today })} />
      <CautionRemark caution={CAUTIONS.unplugFirst} />
    </>
  );
}

/** The fields of each part of a tank's description. */
export const PART_FIELDS: Record<Part, ComponentType<PartProps>> = {
  name: NameFields,
  shell: ShellFields,
  rock: RockFields,
  sump: SumpFields,
  fill: FillFields,
  light: LightFields,
  stage: StageFields,
  gates: GateFields,
};
