import { useState } from 'react';
import { AGENTS, EXTENTS, FOODS, GROWTHS, MEDIA, SIPHONED } from '@/core/records/schema/entry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { selectHistory } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import {
  AGENT_WORDS,
  EXTENT_WORDS,
  FOOD_WORDS,
  GROWTH_WORDS,
  MEDIA_WORDS,
} from '@/shared/kindWords';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { EntryForm } from './EntryForm';
import {
  EMPTY_HAPPENING,
  formOfHappening,
  happeningSchema,
  mediaUnit,
  readHappening,
  type Happening,
  type HappeningForm,
  type HappeningResult,
} from './happeningForm';

const WHAT_WORDS: Record<Happening, string> = {
  sighting: 'Growth seen',
  light: 'Light',
  prawnIn: 'Prawn in',
  prawnOut: 'Prawn out',
  food: 'Food for the colony',
  siphoned: 'Detritus siphoned',
  mediaIn: 'Rock, sand or media in',
  mediaOut: 'Rock or media out',
  treatment: 'Medicine, chlorine',
};

const OPTIONS = (Object.keys(WHAT_WORDS) as Happening[]).map((value) => ({
  value,
  label: WHAT_WORDS[value],
}));

/** Logs what else happened: growth, light, organics, media, what may harm; or corrects it. */
export function HappeningScreen({ editing }: { editing?: RevisionOf<'entry'> }) {
  const history = useAppSelector(selectHistory);
  const [start] = useState(() => (editing && formOfHappening(editing.body)) ?? EMPTY_HAPPENING);
  const name = `happening/${editing?.id ?? history?.tankId ?? ''}`;
  const [form, setForm] = useDraft<HappeningForm>(name, happeningSchema, start);
  const [shown, setShown] = useState(false);
  if (!history) return null;
  const result = readHappening(form);
  return (
    <EntryForm
      words={{
        title: 'Happening',
        saved: `Saved: ${WHAT_WORDS[form.what].toLowerCase()}`,
        save: 'Save it',
      }}
      tankId={history.tankId}
      tankName={history.tank.name}
      zone={history.tank.zone}
      at={form.at}
      onAt={(at) => setForm({ ...form, at })}
      clear={() => setForm(null)}
      editing={editing}
      read={() => {
        setShown(true);
        return result.ok ? result.body : null;
      }}
    >
      {editing ? null : (
        <Choice
          label="What happened"
          options={OPTIONS}
          value={form.what}
          onChange={(what) => setForm({ ...form, what })}
        />
      )}
      <Details
        form={form}
        set={(changes) => setForm({ ...form, ...changes })}
        result={result}
        shown={shown}
      />
      <Field
        label="Note"
        kind="many"
        value={form.note}
        onChange={(note) => setForm({ ...form, note })}
      />
    </EntryForm>
  );
}

function Details({
  form,
  set,
  result,
  shown,
}: {
  form: HappeningForm;
  set: (changes: Partial<HappeningForm>) => void;
  result: HappeningResult;
  shown: boolean;
}) {
  const error = (name: keyof HappeningForm) =>
    shown && !result.ok ? result.errors[name] : undefined;
  const weight = (
    <Field
      label="How much"
      unit="g"
      kind="number"
      value={form.grams}
      error={error('grams')}
      onChange={(grams) => set({ grams })}
    />
  );
  switch (form.what) {
    case 'sighting':
      return (
        <>
          <OptionList
            label="Growth"
            value={form.growth}
            onChange={(growth) => set({ growth })}
            options={GROWTHS.map((value) => ({
              value,
              label: GROWTH_WORDS[value].name,
              note: GROWTH_WORDS[value].looks,
            }))}
          />
          <Choice
            label="How far"
            value={form.extent}
            onChange={(extent) => set({ extent })}
            options={EXTENTS.map((value) => ({ value, label: EXTENT_WORDS[value] }))}
          />
          {form.growth === 'brownSnot' ? (
            <Remark tone="watch" title="Easily mistaken for diatoms">
              The remedies are opposite: this one grows worse when nitrate and phosphate are starved
              to zero. Diatoms stay overnight; this is gone by morning.
            </Remark>
          ) : null}
        </>
      );
    case 'light':
      return (
        <>
          <Choice
            label="Light"
            value={form.light}
            onChange={(light) => set({ light })}
            options={[
              { value: 'on', label: 'On' },
              { value: 'off', label: 'Off' },
            ]}
          />
          {form.light === 'on' ? (
            <Field
              label="Hours a day, if you know"
              unit="h"
              kind="number"
              value={form.hours}
              error={error('hours')}
              onChange={(hours) => set({ hours })}
            />
          ) : null}
        </>
      );
    case 'prawnIn':
      return weight;
    case 'prawnOut':
      return null;
    case 'food':
      return (
        <>
          <Choice
            label="Food"
            value={form.food}
            onChange={(food) => set({ food })}
            options={FOODS.map((value) => ({ value, label: FOOD_WORDS[value] }))}
          />
          {weight}
        </>
      );
    case 'siphoned':
      return (
        <Choice
          label="How much of it"
          value={form.siphoned}
          onChange={(siphoned) => set({ siphoned })}
          options={SIPHONED.map((value) => ({
            value,
            label: { little: 'A little', some: 'Some', much: 'Most of it' }[value],
          }))}
        />
      );
    case 'mediaIn':
      return (
        <>
          <Choice
            label="What"
            value={form.media}
            onChange={(media) => set({ media })}
            options={MEDIA.map((value) => ({ value, label: MEDIA_WORDS[value] }))}
          />
          <Field
            label="How much"
            unit={mediaUnit(form.media)}
            kind="number"
            value={form.amount}
            error={error('amount')}
            hint={
              form.media === 'establishedMedia'
                ? 'Litres that the media fill'
                : 'Weighed wet, drained'
            }
            onChange={(amount) => set({ amount })}
          />
        </>
      );
    case 'mediaOut':
      return (
        <Choice
          label="About how much of all rock and media"
          value={form.share}
          onChange={(share) => set({ share })}
          options={[
            { value: '0.25', label: 'A quarter' },
            { value: '0.5', label: 'Half' },
            { value: '0.75', label: 'Most' },
            { value: '1', label: 'All' },
          ]}
        />
      );
    case 'treatment':
      return (
        <>
          <Choice
            label="What"
            value={form.agent}
            onChange={(agent) => set({ agent })}
            options={AGENTS.map((value) => ({ value, label: AGENT_WORDS[value] }))}
          />
          <Field
            label="What you call it"
            value={form.product}
            onChange={(product) => set({ product })}
          />
          <Remark tone="caution" title="By its label and a veterinarian">
            No amounts are kept here. Medicines go by their label and a veterinarian’s advice;
            bleach never meets ammonia or acid.
          </Remark>
        </>
      );
  }
}
