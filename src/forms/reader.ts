import * as z from 'zod';
import { MOST } from '@/core/records/common';
import { formatPlain, parseNumber } from '@/core/units/format';

/** Errors of a form by field name. */
export type FormErrors<T> = Partial<Record<keyof T & string, string>>;

/** What a form stands for, or what is wrong with it field by field. */
export type FormReading<F, Out> = { ok: true; value: Out } | { ok: false; errors: FormErrors<F> };

interface Limits {
  min?: number;
  max?: number;
  /** Whether zero itself is too little. */
  aboveZero?: boolean;
}

/**
 * Reads number fields of a form whose fields are all text, and collects what is wrong with each in
 * words, so that a half-typed form is never lost and never half saved.
 */
export class FormReader<T extends Record<string, unknown>> {
  readonly errors: FormErrors<T> = {};

  constructor(private readonly form: T) {}

  /** A number that must be there; NaN, with an error noted, when it is not. */
  number(field: keyof T & string, limits: Limits = {}): number {
    const text = String(this.form[field] ?? '').trim();
    if (text === '') return this.fail(field, 'Enter a number.');
    const value = parseNumber(text);
    if (value === null) return this.fail(field, `"${text}" is not a number.`);
    const { min = -MOST, max = MOST, aboveZero } = limits;
    if (aboveZero && value <= 0) return this.fail(field, 'It must be more than zero.');
    if (value < min) return this.fail(field, `It must be at least ${formatPlain(min)}.`);
    if (value > max) return this.fail(field, `It must be at most ${formatPlain(max)}.`);
    return value;
  }

  /** A number that may be left out. */
  optional(field: keyof T & string, limits: Limits = {}): number | null {
    return String(this.form[field] ?? '').trim() === '' ? null : this.number(field, limits);
  }

  /** A text that must be there, trimmed. */
  text(field: keyof T & string, most: number, missing: string): string {
    const text = String(this.form[field] ?? '').trim();
    if (text === '') this.fail(field, missing);
    if (text.length > most) this.tooLong(field, text, most);
    return text;
  }

  /** A text that may be left out, as a part of a record: {} without it. */
  optionalText<K extends keyof T & string>(field: K, most: number): { [P in K]?: string } {
    const text = String(this.form[field] ?? '').trim();
    if (text.length > most) this.tooLong(field, text, most);
    const part: { [P in K]?: string } = {};
    if (text !== '') part[field] = text;
    return part;
  }

  private tooLong(field: keyof T & string, text: string, most: number): void {
    this.fail(field, `It holds ${most} letters; this is ${text.length}. Shorten it.`);
  }

  fail(field: keyof T & string, why: string): number {
    this.errors[field] = why;
    return NaN;
  }

  get ok(): boolean {
    return Object.keys(this.errors).length === 0;
  }

  /** What was read, unless anything was wrong. */
  result<Out>(value: Out): FormReading<T, Out> {
    return this.ok ? { ok: true, value } : { ok: false, errors: this.errors };
  }
}

/** A schema from the fields of a form to what they stand for: errors are issues at their fields. */
export function readingSchema<F extends Record<string, unknown>, Out>(
  fields: z.ZodType<F, F>,
  read: (form: F) => FormReading<F, Out>,
) {
  return fields.transform((form, context): Out => {
    const result = read(form);
    if (result.ok) return result.value;
    for (const [field, message] of Object.entries(result.errors)) {
      context.addIssue({ code: 'custom', path: [field], message: String(message) });
    }
    return z.NEVER;
  });
}
