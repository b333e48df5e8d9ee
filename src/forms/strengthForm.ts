import * as z from 'zod';
import type { DoseStrength } from '@/core/records/kinds/dose';
import { DEFAULT_DROP_ML } from '@/core/units/constants';
import { formatExact, formatPlain } from '@/core/units/format';
import { unreachable } from '@/core/unreachable';
import type { FormReader } from './reader';

/** Fields of a form that say how strong a bottle is, as its label puts it; numbers as text. */
export const strengthShape = {
  basis: z.enum(['ammonia N', 'ammonia NH3', 'ammonia NH4']),
  labelAmount: z.string(),
  labelUnit: z.enum(['drop', 'mL']),
  labelLitres: z.string(),
  labelGives: z.string(),
  percent: z.string(),
  dropsPerMl: z.string(),
};
export type StrengthForm = z.infer<z.ZodObject<typeof strengthShape>>;

export const EMPTY_STRENGTH: StrengthForm = {
  basis: 'ammonia NH4',
  labelAmount: '',
  labelUnit: 'drop',
  labelLitres: '',
  labelGives: '2',
  percent: '',
  dropsPerMl: formatPlain(1 / DEFAULT_DROP_ML),
};

/** The fields of a strength on record. */
export function strengthFormOf(strength: DoseStrength | null): Partial<StrengthForm> {
  switch (strength?.by) {
    case 'label':
      return {
        labelAmount: formatExact(strength.amount),
        labelUnit: strength.unit,
        labelLitres: formatExact(strength.litres),
        labelGives: formatExact(strength.gives),
        basis: strength.basis,
      };
    case 'percent':
      return { percent: formatExact(strength.percent) };
    default:
      return {};
  }
}

/** The strength that the fields stand for; what is wrong with them is noted in `read`. */
export function readStrength(
  by: DoseStrength['by'],
  form: StrengthForm,
  read: Pick<FormReader<StrengthForm>, 'number'>,
): DoseStrength {
  switch (by) {
    case 'label':
      return {
        by,
        amount: read.number('labelAmount', { aboveZero: true }),
        unit: form.labelUnit,
        litres: read.number('labelLitres', { aboveZero: true }),
        gives: read.number('labelGives', { aboveZero: true }),
        basis: form.basis,
      };
    case 'percent':
      return { by, percent: read.number('percent', { aboveZero: true, max: 100 }) };
    case 'pure':
      return { by };
    default:
      return unreachable(by);
  }
}
