import { useMemo, useState } from 'react';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Tank } from '@/core/records/schema/tank';
import { dayOf } from '@/core/time/zone';
import { effectWords } from '@/core/water/effect';
import { FormRemarks } from '@/forms/FormRemarks';
import { FormFooter } from '@/forms/FormFooter';
import { useRecordForm } from '@/forms/useRecordForm';
import { BackHead } from '@/frame/BackHead';
import { useLeave } from '@/frame/useLeave';
import { useAppSelector } from '@/store/hooks';
import { selectLog, selectNow, selectSettings } from '@/store/selectors';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { isPart, PART_TITLES, type Part } from '@/core/tank/description';
import { PART_FIELDS } from './partFields';
import { TankGone, useTankAt } from './TankScreen';
import { factsOf, writeFacts } from '@/core/tank/tankFacts';
import {
  formOfTank,
  readTank,
  tankFormSchema,
  volumeOfForm,
  type TankAndFacts,
  type TankForm,
} from './tankForm';
import { VolumeWorking } from './VolumeWorking';

const LABELS = {
  name: 'Name',
  kind: 'Kind',
  labelVolume: 'Volume on the label',
  rockMass: 'Rock, dry',
  sandDepth: 'Sand depth',
  lid: 'Lid',
  light: 'Light',
};

/** One part of a tank's description, told or changed. */
export function TankPartScreen({ id, part }: { id: string; part: string }) {
  const head = useTankAt(id);
  if (!head || !isPart(part)) return <TankGone />;
  return <Editor key={`${head.id}/${part}`} editing={head} part={part} />;
}

function Editor({ editing, part }: { editing: RevisionOf<'tank'>; part: Part }) {
  const settings = useAppSelector(selectSettings);
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const leave = useLeave();
  const { zone } = editing.body;
  const today = dayOf(now, zone);
  const [facts] = useState(() => factsOf(log, editing.id, zone));
  const [formOf] = useState(() => (tank: Tank) => formOfTank(tank, facts, settings));
  const [start] = useState(() => formOf(editing.body));
  const kept = editing.body;
  const read = useMemo(
    () => (form: TankForm) => readTank(form, settings, { today, zone, kept }),
    [settings, today, zone, kept],
  );
  const record = useRecordForm<TankForm, TankAndFacts, 'tank'>({
    name: `tank/${editing.id}/${part}`,
    fields: tankFormSchema,
    read,
    start,
    editing,
    formOf,
  });
  const { form, set, errors } = record;
  const volume = volumeOfForm(form, settings);
  const changesWater =
    volume !== null && JSON.stringify(volume) !== JSON.stringify(editing.body.volume);
  const save = async () => {
    const recorded = await record.save(
      (act, { tank, facts: after }, settles) => {
        const { notEntered = [], ...rest } = tank;
        const left = notEntered.filter((one) => one !== part);
        act.revise(editing, left.length > 0 ? { ...rest, notEntered: left } : rest, settles);
        writeFacts({ act, log, tankId: editing.id, zone, now }, facts, after);
      },
      ({ tank }) => `Changed ${tank.name}`,
    );
    if (recorded) leave();
  };
  const Fields = PART_FIELDS[part];
  return (
    <Screen
      head={<BackHead title={editing.body.name} aside="" />}
      aside={volume ? <VolumeWorking volume={volume} unit={settings.volumeUnit} /> : undefined}
      footer={<FormFooter record={record} save="Save it" onSave={save} onLeave={leave} />}
    >
      <Opening title={`${PART_TITLES[part]}.`}>
        {changesWater ? effectWords(editing.body.volume, volume, settings.volumeUnit) : ''}
      </Opening>
      <FormRemarks form={record} labels={LABELS} />
      {Object.keys(errors).length > 0 ? (
        <Remark tone="watch" title="Not saved yet">
          What you typed is kept; a field below needs a look.
        </Remark>
      ) : null}
      <Fields form={form} set={set} errors={errors} settings={settings} today={today} />
    </Screen>
  );
}
