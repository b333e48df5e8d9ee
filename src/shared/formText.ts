import { parseNumber } from '@/core/units/format';

/** Errors of a form by field name. */
export type FormErrors<T> = Partial<Record<keyof T, string>>;

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
  number(field: keyof T, limits: Limits = {}): number {
    const text = String(this.form[field] ?? '').trim();
    if (text === '') return this.fail(field, 'Enter a number.');
    const value = parseNumber(text);
    if (value === null) return this.fail(field, `"${text}" is not a number.`);
    const { min, max, aboveZero } = limits;
    if (aboveZero && value <= 0) return this.fail(field, 'It must be more than zero.');
    if (min !== undefined && value < min) return this.fail(field, `It must be at least ${min}.`);
    if (max !== undefined && value > max) return this.fail(field, `It must be at most ${max}.`);
    return value;
  }

  /** A number that may be left out. */
  optional(field: keyof T, limits: Limits = {}): number | null {
    return String(this.form[field] ?? '').trim() === '' ? null : this.number(field, limits);
  }

  fail(field: keyof T, why: string): number {
    this.errors[field] = why;
    return NaN;
  }

  get ok(): boolean {
    return Object.keys(this.errors).length === 0;
  }
}
