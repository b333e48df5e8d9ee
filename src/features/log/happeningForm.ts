import * as z from 'zod';
import { instantSchema } from '@/core/records/schema/common';
import {
  AGENTS,
  EXTENTS,
  FOODS,
  GROWTHS,
  MEDIA,
  SIPHONED,
  type Entry,
} from '@/core/records/schema/entry';
import { formatPlain } from '@/core/units/format';
import { FormReader, type FormErrors } from '@/shared/formText';
import type { EntryBody } from './EntryForm';

export const HAPPENINGS = [
  'sighting',
  'light',
  'prawnIn',
  'prawnOut',
  'food',
  'siphoned',
  'mediaIn',
  'mediaOut',
  'treatment',
] as const;
export type Happening = (typeof HAPPENINGS)[number];

/** What else happened at a tank, half entered: amounts as text, so nothing typed is refused. */
export const happeningSchema = z.object({
  at: instantSchema.nullable(),
  what: z.enum(HAPPENINGS),
  growth: z.enum(GROWTHS),
  extent: z.enum(EXTENTS),
  light: z.enum(['on', 'off']),
  hours: z.string(),
  food: z.enum(FOODS),
  grams: z.string(),
  siphoned: z.enum(SIPHONED),
  media: z.enum(MEDIA),
  amount: z.string(),
  share: z.enum(['0.25', '0.5', '0.75', '1']),
  agent: z.enum(AGENTS),
  product: z.string(),
  note: z.string(),
});
export type HappeningForm = z.infer<typeof happeningSchema>;

export const EMPTY_HAPPENING: HappeningForm = {
  at: null,
  what: 'sighting',
  growth: 'diatoms',
  extent: 'trace',
  light: 'on',
  hours: '',
  food: 'pellets',
  grams: '',
  siphoned: 'some',
  media: 'establishedMedia',
  amount: '',
  share: '0.5',
  agent: 'antibiotic',
  product: '',
  note: '',
};

/** Media are counted by the litres they fill, rock and sand by weight. */
export function mediaUnit(media: HappeningForm['media']): 'kg' | 'L' {
  return media === 'establishedMedia' ? 'L' : 'kg';
}

/** The form of an entry that exists; null for a kind that another form corrects. */
export function formOfHappening(entry: Entry): HappeningForm | null {
  const form: HappeningForm = { ...EMPTY_HAPPENING, at: entry.at, note: entry.note ?? '' };
  switch (entry.kind) {
    case 'sighting':
      return { ...form, what: 'sighting', growth: entry.growth, extent: entry.extent };
    case 'light':
      return {
        ...form,
        what: 'light',
        light: entry.state,
        hours: entry.hoursADay === undefined ? '' : formatPlain(entry.hoursADay),
      };
    case 'treatment':
      return { ...form, what: 'treatment', agent: entry.agent, product: entry.product ?? '' };
    case 'media':
      if (entry.move.to === 'in') {
        return {
          ...form,
          what: 'mediaIn',
          media: entry.move.media,
          amount: formatPlain(entry.move.amount),
        };
      }
      return { ...form, what: 'mediaOut', share: nearestShare(entry.move.share) };
    case 'organics':
      switch (entry.action.what) {
        case 'prawnIn':
          return { ...form, what: 'prawnIn', grams: formatPlain(entry.action.grams) };
        case 'prawnOut':
          return { ...form, what: 'prawnOut' };
        case 'food':
          return {
            ...form,
            what: 'food',
            food: entry.action.food,
            grams: formatPlain(entry.action.grams),
          };
        case 'siphoned':
          return { ...form, what: 'siphoned', siphoned: entry.action.amount };
      }
  }
  return null;
}

function nearestShare(share: number): HappeningForm['share'] {
  const options = ['0.25', '0.5', '0.75', '1'] as const;
  return options.reduce((best, option) =>
    Math.abs(Number(option) - share) < Math.abs(Number(best) - share) ? option : best,
  );
}

export type HappeningResult =
  { ok: true; body: EntryBody } | { ok: false; errors: FormErrors<HappeningForm> };

/** The entry a form stands for, or what is missing from it. */
export function readHappening(form: HappeningForm): HappeningResult {
  const read = new FormReader(form);
  const note = form.note.trim() ? { note: form.note.trim() } : {};
  const body = bodyOf(form, read, note);
  return read.ok ? { ok: true, body } : { ok: false, errors: read.errors };
}

function bodyOf(
  form: HappeningForm,
  read: FormReader<HappeningForm>,
  note: { note?: string },
): EntryBody {
  switch (form.what) {
    case 'sighting':
      return { kind: 'sighting', growth: form.growth, extent: form.extent, ...note };
    case 'light': {
      const hours =
        form.light === 'on' ? read.optional('hours', { aboveZero: true, max: 24 }) : null;
      return {
        kind: 'light',
        state: form.light,
        ...(hours === null ? {} : { hoursADay: hours }),
        ...note,
      };
    }
    case 'prawnIn': {
      const grams = read.number('grams', { aboveZero: true, max: 1000 });
      return { kind: 'organics', action: { what: 'prawnIn', grams }, ...note };
    }
    case 'prawnOut':
      return { kind: 'organics', action: { what: 'prawnOut' }, ...note };
    case 'food': {
      const grams = read.number('grams', { aboveZero: true, max: 200 });
      return { kind: 'organics', action: { what: 'food', food: form.food, grams }, ...note };
    }
    case 'siphoned':
      return { kind: 'organics', action: { what: 'siphoned', amount: form.siphoned }, ...note };
    case 'mediaIn': {
      const amount = read.number('amount', { aboveZero: true, max: 500 });
      const unit = mediaUnit(form.media);
      return { kind: 'media', move: { to: 'in', media: form.media, amount, unit }, ...note };
    }
    case 'mediaOut':
      return { kind: 'media', move: { to: 'out', share: Number(form.share) }, ...note };
    case 'treatment': {
      const product = form.product.trim();
      return {
        kind: 'treatment',
        agent: form.agent,
        ...(product ? { product: product.slice(0, 60) } : {}),
        ...note,
      };
    }
  }
}
