import * as z from 'zod';
import { NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { MEDIA, MEDIA_WORDS, type Media } from '@/core/records/kinds/media';
import { SIPHONED } from '@/core/records/kinds/organics';
import { formatExact } from '@/core/units/format';
import { FormReader, type FormReading } from '@/forms/reader';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps } from './entryForm';
import { SHARED, sharedFields } from './shared';

export const organicsFields = z.object({
  ...sharedFields,
  what: z.enum(['prawnIn', 'prawnOut', 'siphoned']),
  grams: z.string(),
  siphoned: z.enum(SIPHONED),
});
export type OrganicsForm = z.infer<typeof organicsFields>;

export const EMPTY_ORGANICS: OrganicsForm = {
  ...SHARED,
  what: 'prawnIn',
  grams: '',
  siphoned: 'some',
};

export function readOrganics(form: OrganicsForm): FormReading<OrganicsForm, EntryBody<'organics'>> {
  const read = new FormReader(form);
  const action = (): EntryBody<'organics'>['action'] => {
    if (form.what === 'prawnOut') return { what: 'prawnOut' };
    if (form.what === 'siphoned') return { what: 'siphoned', amount: form.siphoned };
    return { what: 'prawnIn', grams: read.number('grams', { aboveZero: true, max: 1000 }) };
  };
  const body: EntryBody<'organics'> = {
    kind: 'organics',
    action: action(),
    ...read.optionalText('note', NOTE_LETTERS),
  };
  return read.result(body);
}

/** A prawn in or out, detritus siphoned. */
export const OrganicsEntryForm = entryForm({
  kind: 'organics',
  fields: organicsFields,
  start: () => EMPTY_ORGANICS,
  formOf: ({ at, note, action }) => ({
    at,
    note: note ?? '',
    what: action.what,
    grams: action.what === 'prawnIn' ? formatExact(action.grams) : '',
    siphoned: action.what === 'siphoned' ? action.amount : 'some',
  }),
  read: readOrganics,
  Fields: ({ form, set, errors }: FieldsProps<OrganicsForm>) => (
    <>
      <Choice
        label="What happened"
        value={form.what}
        onChange={(what) => set({ what })}
        options={[
          { value: 'prawnIn', label: 'Prawn in' },
          { value: 'prawnOut', label: 'Prawn out' },
          { value: 'siphoned', label: 'Detritus siphoned' },
        ]}
      />
      {form.what === 'prawnIn' ? (
        <Field
          label="How much"
          unit="g"
          kind="number"
          value={form.grams}
          error={errors.grams}
          onChange={(grams) => set({ grams })}
        />
      ) : null}
      {form.what === 'siphoned' ? (
        <Choice
          label="How much of it"
          value={form.siphoned}
          onChange={(siphoned) => set({ siphoned })}
          options={SIPHONED.map((value) => ({
            value,
            label: { little: 'A little', some: 'Some', much: 'Most of it' }[value],
          }))}
        />
      ) : null}
    </>
  ),
});

const SHARES = ['0.25', '0.5', '0.75', '1'] as const;

export const mediaFields = z.object({
  ...sharedFields,
  to: z.enum(['in', 'out']),
  media: z.enum(MEDIA),
  amount: z.string(),
  share: z.enum(SHARES),
});
export type MediaForm = z.infer<typeof mediaFields>;

/** Media are counted by the litres they fill, rock and sand by weight. */
export function mediaUnit(media: Media): 'kg' | 'L' {
  return media === 'establishedMedia' ? 'L' : 'kg';
}

function nearestShare(share: number): MediaForm['share'] {
  return SHARES.reduce((best, option) =>
    Math.abs(Number(option) - share) < Math.abs(Number(best) - share) ? option : best,
  );
}

/** Rock, sand or filter media moved in or out. */
export const MediaEntryForm = entryForm<'media', MediaForm>({
  kind: 'media',
  fields: mediaFields,
  start: () => ({ ...SHARED, to: 'in', media: 'establishedMedia', amount: '', share: '0.5' }),
  formOf: ({ at, note, move }) => ({
    at,
    note: note ?? '',
    to: move.to,
    media: move.to === 'in' ? move.media : 'establishedMedia',
    amount: move.to === 'in' ? formatExact(move.amount) : '',
    share: move.to === 'out' ? nearestShare(move.share) : '0.5',
  }),
  read: (form): FormReading<MediaForm, EntryBody<'media'>> => {
    const read = new FormReader(form);
    const move: EntryBody<'media'>['move'] =
      form.to === 'out'
        ? { to: 'out', share: Number(form.share) }
        : {
            to: 'in',
            media: form.media,
            amount: read.number('amount', { aboveZero: true, max: 500 }),
            unit: mediaUnit(form.media),
          };
    return read.result({ kind: 'media', move, ...read.optionalText('note', NOTE_LETTERS) });
  },
  Fields: ({ form, set, errors }: FieldsProps<MediaForm>) => (
    <>
      <Choice
        label="It went"
        value={form.to}
        onChange={(to) => set({ to })}
        options={[
          { value: 'in', label: 'In' },
          { value: 'out', label: 'Out' },
        ]}
      />
      {form.to === 'in' ? (
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
            error={errors.amount}
            hint={
              form.media === 'establishedMedia'
                ? 'Litres that the media fill'
                : 'Weighed wet, drained'
            }
            onChange={(amount) => set({ amount })}
          />
        </>
      ) : (
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
      )}
    </>
  ),
});
