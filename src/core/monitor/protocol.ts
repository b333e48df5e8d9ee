import * as z from 'zod';
import { CHANNEL_IDS, SWITCH_IDS } from './channels';
import { INSTRUMENT_KINDS, INSTRUMENT_NAME } from './instrumentKinds';

/** The version of this interface, in every address of it. */
export const PROTOCOL = 'v1';
/** Samples that one answer of the history holds at most. */
export const MOST_SAMPLES = 2000;
/** Days that an instrument keeps what nobody fetched. */
export const KEPT_DAYS = 7;

/** The part of an address that names an instrument. */
export const instrumentIdSchema = z.string().regex(INSTRUMENT_NAME).meta({
  description: 'Lower-case letters, digits and hyphens, 40 at most.',
  example: 'monitor',
});
const momentSchema = z
  .int()
  .min(0)
  .max(8.64e15)
  .meta({ description: 'Milliseconds since 1970 in UTC, by the clock of the instrument.' });
const numberSchema = z
  .int()
  .min(1)
  .meta({ description: 'Rises by one with each sample of an epoch, from 1.' });
const epochSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,40}$/)
  .meta({
    description:
      'Another one whenever the instrument no longer knows what it sent: numbers begin anew.',
  });

const valuesSchema = z
  .strictObject({
    temperature: z.number().optional().meta({ description: '°C' }),
    ph: z.number().optional().meta({ description: 'NBS scale' }),
    salinity: z.number().optional().meta({ description: 'Practical salinity, ppt' }),
    freeAmmonia: z.number().optional().meta({ description: 'Free ammonia as mg NH₃-N/L' }),
  } satisfies Record<(typeof CHANNEL_IDS)[number], z.ZodType>)
  .meta({ description: 'What the probes show; one that is silent is left out.' });

/** One minute's values, kept by the instrument until they are fetched. */
export const sampleSchema = z
  .strictObject({ number: numberSchema, at: momentSchema, values: valuesSchema })
  .meta({ id: 'Sample', description: 'What a monitor measured in a minute.' });
export type Sample = z.infer<typeof sampleSchema>;

/** What is shown between two samples: it has no number, is not kept, and may ring. */
export const quickSchema = z.strictObject({ at: momentSchema, values: valuesSchema }).meta({
  id: 'Quick',
  description:
    'Values between two samples, every 5 seconds where one lies beyond a threshold. Not kept.',
});
export type Quick = z.infer<typeof quickSchema>;

export const switchSchema = z
  .strictObject({ at: momentSchema, of: z.enum(SWITCH_IDS), on: z.boolean() })
  .meta({
    id: 'Switch',
    description:
      'A switch that turned: leak, sumpHigh, levelLow, pumpOff; on is trouble. Sent at once.',
  });
export type SwitchTurn = z.infer<typeof switchSchema>;

export const helloSchema = z
  .strictObject({
    now: momentSchema,
    epoch: epochSchema,
    oldest: numberSchema.nullable(),
    newest: z.int().min(0),
    switches: z.array(z.enum(SWITCH_IDS)).meta({ description: 'Those that are on.' }),
  })
  .meta({
    id: 'Hello',
    description:
      'The first event of a stream, and once more with a new epoch: its clock and what it still holds.',
  });
export type Hello = z.infer<typeof helloSchema>;

export const historySchema = z
  .strictObject({ now: momentSchema, epoch: epochSchema, samples: z.array(sampleSchema) })
  .meta({ id: 'History', description: `Samples by number, ${MOST_SAMPLES} at most.` });
export type History = z.infer<typeof historySchema>;

export const acknowledgeSchema = z
  .strictObject({ epoch: epochSchema, upTo: numberSchema })
  .meta({ id: 'Acknowledge', description: 'Every sample up to this number is written.' });

export const instrumentSchema = z
  .strictObject({
    id: instrumentIdSchema,
    kind: z.enum(INSTRUMENT_KINDS),
    name: z.string().min(1).max(60),
    madeUp: z.boolean().meta({ description: 'Whether it only plays an instrument.' }),
    /** ± of each channel, in its unit. */
    accuracy: z.partialRecord(z.enum(CHANNEL_IDS), z.number().positive()).optional(),
  })
  .meta({ id: 'Instrument' });
export type Instrument = z.infer<typeof instrumentSchema>;

export const instrumentsSchema = z
  .strictObject({ instruments: z.array(instrumentSchema) })
  .meta({ id: 'Instruments' });

export const codeSchema = z
  .strictObject({
    code: z
      .string()
      .transform((typed) => typed.replace(/\s/g, ''))
      .pipe(z.string().regex(/^\d{6}$/, 'is six digits')),
  })
  .meta({
    id: 'Code',
    description: 'The six digits on the screen of the instrument, good for ten minutes.',
  });

export const pairedSchema = z
  .strictObject({
    token: z.string().regex(/^[0-9a-f]{64}$/),
    instrument: instrumentSchema,
  })
  .meta({ id: 'Paired', description: 'A token of 256 bits, told this once.' });
export type Paired = z.infer<typeof pairedSchema>;

export const problemSchema = z
  .strictObject({
    error: z.string().meta({ description: 'What is wrong and what to do, in a sentence.' }),
    retryAfter: z.number().optional().meta({ description: 'Seconds after which to ask again.' }),
  })
  .meta({ id: 'Problem' });

/** What a pen shows. */
export const penReadingSchema = z
  .strictObject({
    at: momentSchema,
    conductivity: z.number().meta({ description: 'mS/cm as measured, not compensated.' }),
    temperature: z.number().meta({ description: '°C of the water at the pen.' }),
    salinity: z.number().meta({ description: 'ppt, of both by PSS-78.' }),
    steady: z.boolean().meta({ description: 'Whether it had taken the temperature of the water.' }),
  })
  .meta({ id: 'PenReading' });
export type PenReading = z.infer<typeof penReadingSchema>;

export const COLORIMETER_PARAMETERS = ['ammonia', 'nitrite', 'nitrate', 'phosphate'] as const;
export const colorimeterRequestSchema = z
  .strictObject({ parameter: z.enum(COLORIMETER_PARAMETERS) })
  .meta({ id: 'ColorimeterRequest' });
export const colorimeterReadingSchema = z
  .strictObject({
    at: momentSchema,
    parameter: z.enum(COLORIMETER_PARAMETERS),
    value: z.number().min(0),
    unit: z.enum(['ammonia N', 'nitrite N', 'nitrate NO3', 'ppm PO4']),
    blankedAt: momentSchema,
  })
  .meta({ id: 'ColorimeterReading' });
export type ColorimeterReading = z.infer<typeof colorimeterReadingSchema>;

/** What is handed in at a counter. */
export const handedInSchema = z
  .strictObject({
    drawnAt: momentSchema,
    label: z.string().max(60).optional(),
  })
  .meta({ id: 'HandedIn', description: 'A bottle of tank water, and when it was drawn.' });
export const ticketSchema = z
  .strictObject({ ticket: z.string().regex(/^[0-9a-f]{16}$/), readyAt: momentSchema })
  .meta({ id: 'Ticket' });
