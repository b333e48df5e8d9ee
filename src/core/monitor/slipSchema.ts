import * as z from 'zod';

const momentSchema = z.int().min(0).max(8.64e15);
const slipLineSchema = z.strictObject({
  what: z.string().max(60),
  value: z.string().max(40).meta({ description: 'A figure, or a word such as "fine".' }),
  unit: z.string().max(20),
});
export const slipSchema = z
  .strictObject({
    drawnAt: momentSchema,
    testedAt: momentSchema,
    label: z.string().max(60).optional(),
    lines: z.array(slipLineSchema).max(40),
    advice: z.string().max(400).optional(),
  })
  .meta({ id: 'Slip', description: 'What the counter found, in units of its own.' });
export type Slip = z.infer<typeof slipSchema>;
