import type { Random } from '@/core/math/random';
import type { EntryBody } from '@/core/records/kinds';
import type { Medicine } from '@/core/records/schema/medicine';

/** Something that befalls a tank some time after both have read zero, as it is logged and as it is. */
export interface Mishap {
  /** What is logged, days after it happens; a medicine is put on record first. */
  logged: { after: number; entry: EntryBody }[];
  medicine?: Partial<Medicine>;
  /** What a thermometer shows meanwhile, °C; logged as a reading. */
  celsius?: number;
  /** Share of every guild that is left. */
  survival: number;
  /** Share of the water that is new. */
  changed?: number;
  /** mg N/L that rots from then on. */
  rots?: number;
}

const between = (random: Random, low: number, high: number) => low + (high - low) * random();

/** The medicine of a mishap, by the id that it gets in a log. */
export const ITS_MEDICINE = '00000000-0000-7000-8000-00000000feed';

const given: EntryBody<'medication'> = {
  kind: 'medication',
  medicineId: ITS_MEDICINE,
  what: 'From a bottle',
  act: 'given',
};

/** What each is, drawn at random: every one answers what is logged and what it does. */
const MISHAPS_BY_NAME = {
  treated: (random: Random): Mishap => {
    const agent = (['bleach', 'antibiotic', 'chlorine'] as const)[Math.floor(3 * random())];
    const worst = { bleach: 0.01, antibiotic: 0.05, chlorine: 0.1 }[agent ?? 'bleach'];
    return {
      logged: [{ after: 0, entry: { kind: 'treatment', agent: agent ?? 'bleach' } }],
      survival: worst + 0.3 * random(),
    };
  },
  byLabel: (random: Random): Mishap => ({
    logged: [{ after: 0, entry: given }],
    medicine: {
      kind: random() < 0.5 ? 'antibiotic' : 'other',
      harmsFilter: random() < 0.5 ? 'yes' : 'unknown',
    },
    survival: between(random, 0.02, 0.4),
  }),
  rockRemoved: (random: Random): Mishap => {
    const share = between(random, 0.6, 1);
    return {
      logged: [{ after: 0, entry: { kind: 'media', move: { to: 'out', share } } }],
      survival: 1.02 - share,
    };
  },
  movedDry: (random: Random): Mishap => ({
    logged: [
      {
        after: 0,
        entry: {
          kind: 'standstill',
          hours: Math.round(between(random, 3, 20)),
          kept: random() < 0.5 ? 'dry' : 'closed',
        },
      },
    ],
    survival: between(random, 0.01, 0.3),
    changed: between(random, 0.2, 0.9),
  }),
  movedWet: (random: Random): Mishap => ({
    logged: [
      {
        after: 0,
        entry: { kind: 'standstill', hours: Math.round(between(random, 1, 7)), kept: 'still' },
      },
    ],
    survival: between(random, 0.85, 1),
    changed: between(random, 0.1, 0.5),
  }),
  restarted: (random: Random): Mishap => ({
    logged: [
      { after: 0, entry: { kind: 'closed' } },
      { after: 1, entry: { kind: 'filled' } },
    ],
    survival: between(random, 0.0005, 0.05),
    changed: 0.98,
  }),
  refilled: (random: Random): Mishap => ({
    logged: [{ after: 0, entry: { kind: 'filled' } }],
    survival: between(random, 0.0005, 0.2),
    changed: 0.95,
  }),
  emptied: (random: Random): Mishap => ({
    logged: [
      { after: 0, entry: { kind: 'waterChange', litres: 100, newWater: {} } },
      {
        after: 0.01,
        entry: { kind: 'standstill', hours: Math.round(between(random, 26, 70)), kept: 'damp' },
      },
    ],
    survival: between(random, 0.02, 0.3),
    changed: 0.98,
  }),
  markedRunning: (): Mishap => ({
    logged: [{ after: 0, entry: { kind: 'running' } }],
    survival: 1,
  }),
  heaterFailed: (random: Random): Mishap => ({
    logged: [],
    celsius: Math.round(between(random, 35, 39)),
    survival: between(random, 0.02, 0.4),
  }),
  untreatedTap: (random: Random): Mishap => {
    const share = between(random, 0.2, 0.6);
    const litres = Math.round(100 * share);
    const entry = { kind: 'waterChange', litres, source: 'untreatedTap', newWater: {} } as const;
    return { logged: [{ after: 0, entry }], survival: between(random, 0.05, 0.5), changed: share };
  },
  prawnLate: (random: Random): Mishap => {
    const grams = between(random, 20, 40);
    // A hundred litres and 30 mg N in a gram; a part of it never leaves the shell.
    const entry = { kind: 'organics', action: { what: 'prawnIn', grams } } as const;
    return { logged: [{ after: 0, entry }], survival: 1, rots: 0.25 * grams };
  },
} satisfies Record<string, (random: Random) => Mishap>;

export type MishapName = keyof typeof MISHAPS_BY_NAME;
export const MISHAPS: Readonly<Record<MishapName, (random: Random) => Mishap>> = MISHAPS_BY_NAME;

/** How a kit fails: which parameter, and from which of its readings on it shows nothing. */
export const BAD_KITS = {
  ammoniaDead: 'ammonia',
  nitriteDead: 'nitrite',
  nitrateDead: 'nitrate',
  expiredKit: 'nitrite',
} as const;
export type BadKitName = keyof typeof BAD_KITS;

/** What goes otherwise than in a tidy life, in the course of it. */
const OTHERS = [
  'none',
  'unfed',
  'diluted',
  'bound',
  'failedLater',
  'fiveHours',
  'kitLate',
] as const;

export type Trouble = (typeof OTHERS)[number] | MishapName | BadKitName;
export const TROUBLES: readonly Trouble[] = [
  ...OTHERS,
  ...(Object.keys(MISHAPS_BY_NAME) as MishapName[]),
  ...(Object.keys(BAD_KITS) as BadKitName[]),
];

export const isMishap = (trouble: Trouble): trouble is MishapName => trouble in MISHAPS_BY_NAME;
export const isBadKit = (trouble: Trouble): trouble is BadKitName => trouble in BAD_KITS;
