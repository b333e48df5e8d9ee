import * as z from 'zod';
import { impossible, type Arrival, type Water, type WaterClass } from '@/core/acclimation/waters';
import { fromCanonical, toCanonical } from '@/core/parameters/convert';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import { formatExact, parseNumber } from '@/core/units/format';
import { linearToCanonical } from '@/core/units/units';

/** What is typed of an arrival, as it was typed. */
export const arrivalFields = z.object({
  /** The tank it goes to, or most of it. */
  tankId: z.string(),
  bagSalinity: z.string(),
  bagTemperature: z.string(),
  bagPh: z.string(),
  bagAmmonia: z.string().default(''),
  tankSalinity: z.string(),
  tankTemperature: z.string(),
  tankPh: z.string(),
  litres: z.string(),
  hours: z.string(),
  room: z.string(),
  /** Minutes of a coral's dip, by its label. */
  dip: z.string(),
  oneSystem: z.boolean(),
  /** How many of them go to other tanks, by the tank. */
  split: z.record(z.string(), z.int().min(0).max(500)),
  newcomers: z.array(z.object({ species: z.string(), count: z.int().min(1).max(500) })),
});
export type ArrivalFields = z.infer<typeof arrivalFields>;

/** What the tank measured last, in the keeper's units; empty where nobody measured. */
export function tankFields(
  readings: Partial<Water>,
  settings: Settings,
): Pick<ArrivalFields, 'tankSalinity' | 'tankTemperature' | 'tankPh'> {
  const shown = (value: number | undefined, parameter: 'salinity' | 'temperature') =>
    value === undefined
      ? ''
      : formatExact(Number(fromCanonical(value, unitFor(settings, parameter)).toPrecision(5)));
  return {
    tankSalinity: shown(readings.salinity, 'salinity'),
    tankTemperature: shown(readings.temperature, 'temperature'),
    tankPh: readings.ph === undefined ? '' : formatExact(readings.ph),
  };
}

/** A form that nobody typed in: what the tank measured, and the water they are in where that is known. */
export function emptyArrival(
  { tankId, tank }: { tankId: string; tank: Partial<Water> },
  from: Partial<Water>,
  settings: Settings,
): ArrivalFields {
  const bag = tankFields(from, settings);
  return {
    tankId,
    bagSalinity: bag.tankSalinity,
    bagTemperature: bag.tankTemperature,
    bagPh: '',
    bagAmmonia: '',
    ...tankFields(tank, settings),
    litres: '',
    hours: '',
    room: '',
    dip: '',
    oneSystem: false,
    split: {},
    newcomers: [],
  };
}

export type ReadArrival =
  | { ok: true; arrival: Arrival }
  /** What is still missing, or what cannot be. */
  | { ok: false; missing: boolean; why: string };

const NEEDED: readonly [keyof ArrivalFields, string][] = [
  ['bagSalinity', 'the salinity of the bag'],
  ['bagTemperature', 'the temperature of the bag'],
  ['tankSalinity', 'the salinity of the tank'],
  ['tankTemperature', 'the temperature of the tank'],
  ['litres', 'the water in the bag'],
];

function sameWater(settings: Settings): Partial<ArrivalFields> {
  const salinity = formatExact(fromCanonical(35, unitFor(settings, 'salinity')));
  const temperature = formatExact(fromCanonical(25, unitFor(settings, 'temperature')));
  return {
    bagSalinity: salinity,
    tankSalinity: salinity,
    bagTemperature: temperature,
    tankTemperature: temperature,
    litres: '1',
  };
}

/** Reads what was typed, in the keeper's units. */
export function readArrival(
  typed: ArrivalFields,
  animal: WaterClass,
  settings: Settings,
): ReadArrival {
  // Of one system nothing needs to be measured: whatever it is, it is the same.
  const form = typed.oneSystem ? { ...typed, ...sameWater(settings) } : typed;
  const missing = NEEDED.filter(([field]) => String(form[field]).trim() === '');
  if (missing.length > 0) {
    return {
      ok: false,
      missing: true,
      why: `Measure ${missing.map(([, words]) => words).join(', ')}.`,
    };
  }
  const wrong = (
    [
      ...NEEDED.map(([field]) => field),
      'bagPh',
      'tankPh',
      'hours',
      'room',
      'dip',
      'bagAmmonia',
    ] as const
  ).find((field) => {
    const text = String(form[field]).trim();
    return text !== '' && parseNumber(text) === null;
  });
  if (wrong) {
    return { ok: false, missing: false, why: `"${String(form[wrong])}" is not a number.` };
  }
  const number = (text: string) => parseNumber(text) ?? Number.NaN;
  const inUnit = (text: string, parameter: 'salinity' | 'temperature') =>
    toCanonical(number(text), unitFor(settings, parameter));
  const optional = (text: string) => (text.trim() === '' ? undefined : number(text));
  const [bagPh, tankPh, hours] = [form.bagPh, form.tankPh, form.hours].map(optional);
  const bagAmmonia =
    form.bagAmmonia.trim() === ''
      ? undefined
      : toCanonical(number(form.bagAmmonia), unitFor(settings, 'ammonia'));
  const room = form.room.trim() === '' ? undefined : inUnit(form.room, 'temperature');
  const arrival: Arrival = {
    bag: {
      salinity: inUnit(form.bagSalinity, 'salinity'),
      temperature: inUnit(form.bagTemperature, 'temperature'),
      ...(bagPh === undefined ? {} : { ph: bagPh }),
    },
    tank: {
      salinity: inUnit(form.tankSalinity, 'salinity'),
      temperature: inUnit(form.tankTemperature, 'temperature'),
      ...(tankPh === undefined ? {} : { ph: tankPh }),
    },
    litres: linearToCanonical(number(form.litres), settings.volumeUnit),
    animal,
    ...(hours === undefined ? {} : { hoursShipped: hours }),
    ...(room === undefined ? {} : { room }),
    ...(bagAmmonia === undefined ? {} : { bagAmmonia }),
    oneSystem: form.oneSystem,
  };
  const [why] = impossible(arrival);
  return why === undefined ? { ok: true, arrival } : { ok: false, missing: false, why };
}
