import * as z from 'zod';
import { photoTextSchema } from '../photos/schema';
import { FILE_VERSION } from '../records/file/parse';
import { CARRY_FORMAT, carryHeadSchema } from './head';

/**
 * The JSON Schema of a file for another device, for docs/formats.md and other programs; its records are those
 * of a log file. It stands apart, because the browser bundle is built without that part of Zod.
 */
export function carryFileJsonSchema(): unknown {
  const schema = z.toJSONSchema(
    z.strictObject({
      format: z.literal(CARRY_FORMAT),
      version: z.literal(FILE_VERSION),
      ...carryHeadSchema.shape,
      photos: z.record(z.string(), photoTextSchema),
    }),
    { io: 'input' },
  );
  const records = { $ref: `log-v${FILE_VERSION}.schema.json#/properties/records` };
  return {
    ...schema,
    properties: { ...schema.properties, records },
    required: [...(schema.required ?? []), 'records'],
  };
}
