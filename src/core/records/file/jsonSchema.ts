import * as z from 'zod';
import { logFileSchema } from './file';

/**
 * The JSON Schema of the open format, for docs/formats.md and other programs. It stands apart from
 * the rest, because the browser bundle is built without that part of Zod.
 */
export function logFileJsonSchema(): unknown {
  return z.toJSONSchema(logFileSchema, { io: 'input' });
}
