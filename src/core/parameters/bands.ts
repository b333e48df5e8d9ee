import { MEQ_PER_DKH, NO3_PER_N } from '../units/constants';
import type { ParameterId } from './registry';

/** The range a keeper wants a parameter in, canonical units. */
export interface Band {
  low: number;
  high: number;
}

export type Bands = Partial<Record<ParameterId, Band>>;

export interface BandPreset {
  id: string;
  name: string;
  /** Who it suits and what it gives up. */
  note: string;
  bands: Bands;
}

const dkh = (low: number, high: number): Band => ({
  low: low * MEQ_PER_DKH,
  high: high * MEQ_PER_DKH,
});
const no3 = (low: number, high: number): Band => ({ low: low / NO3_PER_N, high: high / NO3_PER_N });

/** What reefs are run at, dKH: nobody is helped to a goal outside it. */
export const ALKALINITY_BAND = { low: 6.5, high: 11 } as const;

/** Bands of practice, not laws; each can be changed per parameter. */
export const BAND_PRESETS = [
  {
    id: 'mixedReef',
    name: 'Mixed reef',
    note: 'Corals of all kinds with fish. The usual choice, and the default.',
    bands: {
      ph: { low: 7.8, high: 8.5 },
      alkalinity: dkh(7.5, 9),
      salinity: { low: 33, high: 36 },
      temperature: { low: 24, high: 26.5 },
      nitrate: no3(2, 20),
      phosphate: { low: 0.03, high: 0.1 },
      calcium: { low: 390, high: 460 },
      magnesium: { low: 1230, high: 1420 },
    },
  },
  {
    id: 'wide',
    name: 'Wide',
    note: 'Soft corals and hardy fish. Fewer corrections, less to spare when something slips.',
    bands: {
      ph: { low: 7.7, high: 8.6 },
      alkalinity: dkh(ALKALINITY_BAND.low, ALKALINITY_BAND.high),
      salinity: { low: 32, high: 36 },
      temperature: { low: 23.5, high: 27 },
      nitrate: no3(0, 40),
      phosphate: { low: 0, high: 0.2 },
      calcium: { low: 380, high: 480 },
      magnesium: { low: 1200, high: 1500 },
    },
  },
  {
    id: 'fishOnly',
    name: 'Fish only',
    note: 'No corals. Salinity may run lower and minerals matter less.',
    bands: {
      ph: { low: 7.7, high: 8.5 },
      alkalinity: dkh(ALKALINITY_BAND.low, ALKALINITY_BAND.high),
      salinity: { low: 30, high: 36 },
      temperature: { low: 23.5, high: 27 },
      nitrate: no3(0, 60),
      phosphate: { low: 0, high: 0.5 },
    },
  },
] as const satisfies readonly BandPreset[];

export type BandPresetId = (typeof BAND_PRESETS)[number]['id'];
export const BAND_PRESET_IDS = BAND_PRESETS.map((preset) => preset.id) as [
  BandPresetId,
  ...BandPresetId[],
];

/** The preset's bands with the keeper's own on top. */
export function bandsOf(presetId: BandPresetId, overrides: Bands): Bands {
  const preset: BandPreset = BAND_PRESETS.find((p) => p.id === presetId) ?? BAND_PRESETS[0];
  return { ...preset.bands, ...overrides };
}

/**
 * Whether a tank is held to the keeper's band of a parameter. A quarantine tank is matched to a bag, or kept low on
 * purpose: a reef's salinity says nothing of it.
 */
export function isHeldTo(
  parameter: ParameterId,
  { tank }: { tank: { kind: 'display' | 'quarantine' | 'other' } },
): boolean {
  return !(parameter === 'salinity' && tank.kind === 'quarantine');
}

export type BandSide = 'below' | 'within' | 'above';

/** Where a canonical value lies; a band's own edges are within it. */
export function sideOf(value: number, band: Band): BandSide {
  const slack = 1e-9 * Math.max(1, Math.abs(band.high));
  if (value < band.low - slack) return 'below';
  if (value > band.high + slack) return 'above';
  return 'within';
}

/** Below this alkalinity (meq/L, 6 dKH) the nitrifiers themselves are held back, whatever the band. */
export const ALKALINITY_FLOOR = 6 * MEQ_PER_DKH;
