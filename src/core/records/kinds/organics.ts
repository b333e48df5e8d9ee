import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { unreachable } from '../../unreachable';
import { positive } from '../common';
import { defineKind, ofTank } from './kind';

export const SIPHONED = ['little', 'some', 'much'] as const;

const schema = z.strictObject({
  kind: z.literal('organics'),
  ...ofTank,
  action: z.discriminatedUnion('what', [
    z.strictObject({ what: z.literal('prawnIn'), grams: positive }),
    z.strictObject({ what: z.literal('prawnOut') }),
    z.strictObject({ what: z.literal('siphoned'), amount: z.enum(SIPHONED) }),
  ]),
});
export type OrganicsEntry = z.infer<typeof schema>;

/** Organic matter in or out, other than food: what it leaches feeds the filter bacteria. */
export const organics = defineKind({
  schema,
  subject: 'tank',
  name: 'organics',
  counted: ['dose of organics', 'doses of organics'],
  reported: true,
  title: ({ action }) => {
    switch (action.what) {
      case 'prawnIn':
        return 'Prawn in';
      case 'prawnOut':
        return 'Prawn out';
      case 'siphoned':
        return 'Detritus siphoned';
      default:
        return unreachable(action);
    }
  },
  line: ({ action }) => {
    switch (action.what) {
      case 'prawnIn':
        return `${formatPlain(action.grams)} g`;
      case 'prawnOut':
        return 'what was left of it';
      case 'siphoned':
        return action.amount;
      default:
        return unreachable(action);
    }
  },
  touches: () => ['ammonia', 'nitrite', 'nitrate'],
  cycle: ({ action }) => ({ nitrogen: action.what === 'prawnIn' ? 'later' : 'out' }),
});
