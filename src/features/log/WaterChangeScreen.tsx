import { useState } from 'react';
import { View } from 'react-native';
import * as z from 'zod';
import { formatIn, toCanonical } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { instantSchema } from '@/core/records/schema/common';
import type { Quantity } from '@/core/records/schema/common';
import type { WaterChangeEntry } from '@/core/records/schema/entry';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Settings } from '@/core/records/schema/settings';
import { formatFixed, formatPlain } from '@/core/units/format';
import { unitSymbol, linearFromCanonical, linearToCanonical } from '@/core/units/units';
import { selectHistory, selectSettings } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { FormReader } from '@/shared/formText';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { EntryForm } from './EntryForm';

const formSchema = z.object({
  at: instantSchema.nullable(),
  volume: z.string(),
  salinity: z.string(),
  temperature: z.string(),
  alkalinity: z.string(),
  ph: z.string(),
  ammonia: z.string(),
  note: z.string(),
});
type Form = z.infer<typeof formSchema>;

const EMPTY: Form = {
  at: null,
  volume: '',
  salinity: '',
  temperature: '',
  alkalinity: '',
  ph: '',
  ammonia: '',
  note: '',
};

const MEASURED = ['salinity', 'temperature', 'alkalinity', 'ph', 'ammonia'] as const;

function formOf(entry: WaterChangeEntry, settings: Settings): Form {
  const form: Form = {
    ...EMPTY,
    at: entry.at,
    volume: formatPlain(linearFromCanonical(entry.litres, settings.volumeUnit), 2),
    note: entry.note ?? '',
  };
  for (const parameter of MEASURED) {
    const quantity = entry.newWater[parameter];
    if (quantity) form[parameter] = formatPlain(quantity.value, 4);
  }
  return form;
}

/** Logs a water change, or corrects one, with what the new water measured. */
export function WaterChangeScreen({ editing }: { editing?: RevisionOf<'entry'> }) {
  const history = useAppSelector(selectHistory);
  const settings = useAppSelector(selectSettings);
  if (!history) return null;
  return (
    <Editor key={editing?.id ?? 'new'} history={history} settings={settings} editing={editing} />
  );
}

function Editor({
  history,
  settings,
  editing,
}: {
  history: TankHistory;
  settings: Settings;
  editing?: RevisionOf<'entry'>;
}) {
  const entry = editing?.body.kind === 'waterChange' ? editing.body : null;
  const [start] = useState(() => (entry ? formOf(entry, settings) : EMPTY));
  const name = editing ? `waterChange/${editing.id}` : `waterChange/${history.tankId}`;
  const [form, setForm] = useDraft<Form>(name, formSchema, start);
  const [shown, setShown] = useState(false);
  const set = (changes: Partial<Form>) => setForm({ ...form, ...changes });
  const unitOf = (parameter: (typeof MEASURED)[number]) =>
    entry?.newWater[parameter]?.unit ?? settings.parameterUnits[parameter];

  const read = new FormReader(form);
  const litres = linearToCanonical(read.number('volume', { aboveZero: true }), settings.volumeUnit);
  const newWater: Partial<Record<(typeof MEASURED)[number], Quantity>> = {};
  for (const parameter of MEASURED) {
    const value = read.optional(parameter, { min: 0 });
    if (value !== null) newWater[parameter] = { value, unit: unitOf(parameter) };
  }
  const errors = shown ? read.errors : {};
  const share = litres / history.netLitres;
  return (
    <EntryForm
      words={{
        title: 'Water change',
        saved: 'Saved the water change',
        save: 'Save the water change',
      }}
      tankId={history.tankId}
      tankName={history.tank.name}
      zone={history.tank.zone}
      at={form.at}
      onAt={(at) => set({ at })}
      clear={() => setForm(null)}
      editing={editing}
      read={() => {
        setShown(true);
        if (!read.ok) return null;
        const note = form.note.trim();
        return { kind: 'waterChange', litres, newWater, ...(note ? { note } : {}) };
      }}
    >
      <Field
        label="Water changed"
        kind="number"
        unit={settings.volumeUnit}
        value={form.volume}
        error={errors.volume}
        onChange={(volume) => set({ volume })}
      />
      {read.errors.volume === undefined ? (
        <ChangeMeaning share={share} history={history} newWater={newWater} settings={settings} />
      ) : null}
      <SectionHead title="The new water" end="what was measured of it" />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {MEASURED.map((parameter) => (
          <Field
            key={parameter}
            style={{ flexGrow: 1, flexBasis: 140 }}
            label={PARAMETERS[parameter].name}
            kind="number"
            unit={unitSymbol(unitOf(parameter))}
            value={form[parameter]}
            error={errors[parameter]}
            onChange={(text) => set({ [parameter]: text })}
          />
        ))}
      </View>
      <Field label="Note" kind="many" value={form.note} onChange={(note) => set({ note })} />
    </EntryForm>
  );
}

/** A change beyond the net volume was mistyped; one whose water differs much is worth a pause. */
function ChangeMeaning({
  share,
  history,
  newWater,
  settings,
}: {
  share: number;
  history: TankHistory;
  newWater: Partial<Record<(typeof MEASURED)[number], Quantity>>;
  settings: Settings;
}) {
  if (share > 1) {
    return (
      <Remark tone="watch" title="More than the tank holds">
        {`The tank holds ${formatIn(history.netLitres, settings.volumeUnit, 0)} net. It will count as a change of everything.`}
      </Remark>
    );
  }
  const gaps = (['salinity', 'temperature', 'ph'] as const).flatMap((parameter) => {
    const given = newWater[parameter];
    const last = latestReading(history, parameter);
    if (!given || !last) return [];
    const gap = toCanonical(given.value, given.unit) - last.best;
    const most = { salinity: 1, temperature: 1, ph: 0.2 }[parameter];
    if (Math.abs(gap) <= most) return [];
    return [
      `${PARAMETERS[parameter].inSentence} is ${formatFixed(Math.abs(gap), 1)} ${gap > 0 ? 'above' : 'below'} the tank’s`,
    ];
  });
  return (
    <Remark
      tone={gaps.length > 0 ? 'caution' : 'plain'}
      title={gaps.length > 0 ? 'Match it before pouring' : undefined}
    >
      <Words as="lead">{`**${formatFixed(share * 100, 0)} %** of the net water.`}</Words>
      {gaps.length > 0 ? (
        <Words as="body">{`In the new water, ${gaps.join('; ')}. A higher pH also frees more of the ammonia that is there.`}</Words>
      ) : null}
    </Remark>
  );
}
