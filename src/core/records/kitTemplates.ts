import type { Kit } from './schema/kit';

type Template = Omit<Kit, 'lot' | 'expiresOn' | 'inUse' | 'order'>;

/**
 * Scales to start a kit from. They are common shapes, not any maker's: the keeper sets the steps
 * that are printed on the card at hand.
 */
export const KIT_TEMPLATES = {
  ammoniaCard: {
    name: 'Ammonia card',
    parameter: 'ammonia',
    unit: 'ammonia NH4',
    scale: { form: 'card', steps: [0, 0.25, 0.5, 1, 2, 4] },
    waitMinutes: 5,
    reduction: false,
  },
  nitriteCard: {
    name: 'Nitrite card',
    parameter: 'nitrite',
    unit: 'nitrite NO2',
    scale: { form: 'card', steps: [0, 0.25, 0.5, 1, 2, 5] },
    waitMinutes: 5,
    reduction: false,
  },
  nitrateCard: {
    name: 'Nitrate card',
    parameter: 'nitrate',
    unit: 'nitrate NO3',
    scale: { form: 'card', steps: [0, 2, 5, 10, 20, 40] },
    waitMinutes: 5,
    reduction: true,
  },
  phPen: {
    name: 'pH pen',
    parameter: 'ph',
    unit: 'pH',
    scale: { form: 'digital', resolution: 0.01, accuracy: 0.05, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  alkalinityDrops: {
    name: 'Alkalinity drops',
    parameter: 'alkalinity',
    unit: 'dKH',
    scale: { form: 'digital', resolution: 0.1, accuracy: 0.3, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  refractometer: {
    name: 'Refractometer',
    parameter: 'salinity',
    unit: 'ppt',
    scale: { form: 'digital', resolution: 0.5, accuracy: 1, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  conductivityPen: {
    name: 'Conductivity pen',
    parameter: 'salinity',
    unit: 'ppt',
    scale: { form: 'digital', resolution: 0.1, accuracy: 0.7, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  hydrometer: {
    name: 'Hydrometer',
    parameter: 'salinity',
    unit: 'sg25',
    scale: { form: 'digital', resolution: 0.0005, accuracy: 0.001, compensated: false },
    waitMinutes: 0,
    reduction: false,
  },
  thermometer: {
    name: 'Thermometer',
    parameter: 'temperature',
    unit: '°C',
    scale: { form: 'digital', resolution: 0.1, accuracy: 0.3, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  phosphateMeter: {
    name: 'Phosphate meter',
    parameter: 'phosphate',
    unit: 'ppm PO4',
    scale: { form: 'digital', resolution: 0.01, accuracy: 0.02, compensated: true },
    waitMinutes: 3,
    reduction: false,
  },
  calciumDrops: {
    name: 'Calcium drops',
    parameter: 'calcium',
    unit: 'ppm Ca',
    scale: { form: 'digital', resolution: 10, accuracy: 15, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
  magnesiumDrops: {
    name: 'Magnesium drops',
    parameter: 'magnesium',
    unit: 'ppm Mg',
    scale: { form: 'digital', resolution: 30, accuracy: 40, compensated: true },
    waitMinutes: 0,
    reduction: false,
  },
} as const satisfies Record<string, Template>;

export type KitTemplateId = keyof typeof KIT_TEMPLATES;

function isTemplate(id: string): id is KitTemplateId {
  return Object.hasOwn(KIT_TEMPLATES, id);
}

export const KIT_TEMPLATE_IDS = Object.keys(KIT_TEMPLATES).filter(isTemplate);

/** The tests a first tank is usually followed with, in the order they are made. */
export const FIRST_KITS: readonly KitTemplateId[] = [
  'ammoniaCard',
  'nitriteCard',
  'nitrateCard',
  'phPen',
  'refractometer',
  'thermometer',
  'alkalinityDrops',
];

/** A kit record from a template, at a place on the test sheet. */
export function kitFrom(id: KitTemplateId, order: number, inUse = true): Kit {
  const template: Template = KIT_TEMPLATES[id];
  return { ...template, lot: '', expiresOn: null, inUse, order };
}
