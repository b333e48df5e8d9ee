import { exactExp, exactPower } from '../../math/exact';
import { toCanonical } from '../../parameters/convert';
import type { EntryKind, EntryOf } from '../../records/kinds';
import { doseNitrogen, isAmmoniaSource, type DoseEntry } from '../../records/kinds/dose';
import { fedGrams, FOODS_AS_FED } from '../../records/kinds/feed';
import type { Kept } from '../../records/kinds/standstill';
import type { Agent } from '../../records/kinds/treatment';
import { BICARBONATE, MEQ_PER_DKH } from '../../units/constants';
import { joins, type AnimalsEntry } from '../../records/kinds/animals';
import type { Chance } from '../world/chance';
import type { Nature } from '../world/nature';
import type { WorldState } from '../world/state';
import type { Deed } from './deeds';

/** What a deed is done to, and by whose hand. */
export interface DeedContext {
  state: WorldState;
  nature: Nature;
  chance: Chance;
  /** Hours since the tank was filled. */
  hour: number;
  /** Net water as the keeper computed it, L. */
  computedLitres: number;
  /** The parameter that a kit measures, by its id. */
  measures: (kitId: string) => string | undefined;
  id: string;
}

type Effect<K extends EntryKind> = ((entry: EntryOf<K>, context: DeedContext) => void) | 'words';

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** What a hand makes of what it means to measure out: off by 10 % for a dose, 5 % for a bucket. */
function byHand({ chance, id }: DeedContext, sd: number): number {
  return clamp(1 + sd * chance.normal('hand', id), 1 - 3 * sd, 1 + 3 * sd);
}

/** Share of all filter bacteria that is left. */
function harm({ state }: DeedContext, left: number): void {
  state.quick *= left;
  state.slow *= left;
  state.nitriteGuild *= left;
}

/** mg N that is brought in evenly, to the litre of full water. */
function bring(
  state: WorldState,
  where: 'ammonia' | 'labile' | 'stubborn',
  nitrogen: number,
): void {
  state[where] += nitrogen;
  state.broughtIn += nitrogen;
}

function dosed(entry: DoseEntry, context: DeedContext): void {
  const { state, nature, computedLitres } = context;
  const hand = byHand(context, 0.1);
  if (isAmmoniaSource(entry.substance)) {
    const nitrogen = doseNitrogen(entry, computedLitres) ?? 1.6 * computedLitres;
    const strength = nature.hidden.ammoniaStrength ?? 1;
    const rise = (nitrogen * hand * strength) / nature.litres;
    bring(state, 'ammonia', rise);
    if (entry.substance === 'householdAmmonia') state.alkalinity += 0.2 * rise;
    return;
  }
  switch (entry.substance) {
    case 'bacteria': {
      const share = clamp((entry.bottle?.forLitres ?? computedLitres) / nature.litres, 0.05, 5);
      const alive = share * hand * (nature.hidden.bottleAlive ?? 1);
      const [quick, slow, nitrite] = nature.bottle;
      state.quick += quick * alive;
      state.slow += slow * alive;
      state.nitriteGuild += nitrite * alive;
      return;
    }
    case 'alkalinity':
    case 'kalk':
    case 'twoPart': {
      // Baking soda by its weight; of a bottle's mL so much as a usual one holds, 0.1 g in each.
      const { amount } = entry;
      const grams = amount.by === 'grams' ? amount.grams : amount.by === 'mL' ? 0.1 * amount.mL : 0;
      state.alkalinity += ((grams / BICARBONATE) * hand) / nature.litres;
      return;
    }
    case 'ammoniaBinder':
      state.bound = 1.5;
      state.boundUntil =
        context.hour + 24 + Math.floor(24 * context.chance.even('hand', context.id));
      return;
    default:
  }
}

/** Median share of filter bacteria that each leaves, of which a world draws its own (SPREAD). */
const LEFT: Record<Agent, number> = {
  antibiotic: 0.25,
  copper: 0.7,
  formaldehyde: 0.5,
  methyleneBlue: 0.3,
  peroxide: 0.5,
  otherMedicine: 0.7,
  chlorine: 0.35,
  bleach: 0.05,
  scrubbedRock: 0.5,
};

/** How far one treatment differs from another: sd of the log of the log of what it leaves. */
const SPREAD = 0.4;

/** Hours after which half of the filter bacteria are lost without flow. */
const HALF_LOST: Record<Kept, number> = { flowing: 600, still: 36, damp: 30, closed: 5, dry: 0.7 };

/** New salt water in the place of old. */
function changed(entry: EntryOf<'waterChange'>, context: DeedContext): void {
  const { state, nature } = context;
  const share = clamp((entry.litres * byHand(context, 0.05)) / nature.litres / state.level, 0, 1);
  const kept = 1 - share;
  const { newWater, source = 'purified' } = entry;
  for (const name of ['ammonia', 'nitrite', 'nitrate', 'labile'] as const) {
    state.takenOut += state[name] * share;
    state[name] *= kept;
  }
  const salinity = newWater.salinity
    ? toCanonical(newWater.salinity.value, newWater.salinity.unit)
    : 35;
  // Salt water is mixed by the keeper's own meter, and what that reads too high it lacks.
  const truly = Math.max(0, salinity - state.salinityOffset) * share * state.level;
  state.saltOut += state.salt * share;
  state.saltIn += truly;
  state.salt += truly - state.salt * share;
  const alkalinity = newWater.alkalinity
    ? toCanonical(newWater.alkalinity.value, newWater.alkalinity.unit) / MEQ_PER_DKH
    : nature.saltAlkalinity;
  state.alkalinity += share * (alkalinity - state.alkalinity);
  state.phosphate *= kept;
  state.silicate += share * ((source === 'purified' ? 0.1 : 2) - state.silicate);
  state.cloud *= kept;
  if (newWater.temperature) {
    const celsius = toCanonical(newWater.temperature.value, newWater.temperature.unit);
    state.temperature += share * (celsius - state.temperature);
  }
  const chloramine = nature.hidden.tapChloramine ?? 0;
  if (source === 'untreatedTap') {
    bring(state, 'ammonia', chloramine * share);
    harm(context, exactExp(-(chloramine > 0 ? 4 : 2) * share));
  } else if (source === 'conditionedTap') bring(state, 'ammonia', chloramine * share);
}

function cameOrWent(entry: AnimalsEntry, context: DeedContext): void {
  const { state, nature, id } = context;
  const count = entry.count ?? 1;
  if (joins(entry.move)) {
    const cm = entry.sizeCm ?? (entry.group === 'fish' ? 5 : 2);
    const usual = entry.group === 'coral' ? 1 : 0.02 * cm * cm * cm;
    const grams = entry.grams === undefined ? usual : entry.grams / count;
    const by = { ammonia: 0, oxygen: 0, temperature: 0, salinity: 0 };
    state.dwellers.push({ id, what: entry.what, group: entry.group, count, grams, strain: 0, by });
    return;
  }
  if (entry.move === 'died' || entry.move === 'missing') {
    // One that died did so by itself; taken out, it rots no further.
    if (entry.move === 'died') {
      const taken = Math.min(state.labile, (60 * count) / nature.litres);
      state.labile -= taken;
      state.takenOut += taken;
    }
    return;
  }
  const from =
    state.dwellers.find((each) => each.id === entry.cohort) ??
    state.dwellers.findLast((each) => each.group === entry.group && each.count > 0);
  if (from) from.count = Math.max(0, from.count - count);
}

/** Water that a tank holds up to its brim, as a share of its full net water. */
const BRIM = 1.1;

/** Runs over: a share of the mixed water goes, with all that is in it. */
function spill(state: WorldState, share: number): void {
  for (const name of ['ammonia', 'nitrite', 'nitrate', 'labile'] as const) {
    state.takenOut += state[name] * share;
    state[name] *= 1 - share;
  }
  state.saltOut += state.salt * share;
  state.salt *= 1 - share;
  state.level *= 1 - share;
}

const SIPHONED = { little: 0.1, some: 0.3, much: 0.55 } as const;
const PRAWN_N = 30;
/** mg of nitrogen in a gram of protein. */
const NITROGEN_PER_PROTEIN = 160;

/** What lives on rock and in media that come in, mg N/day for each kg or litre: quick, slow, nitrite oxidisers. */
const BRINGS: Record<
  Extract<EntryOf<'media'>['move'], { to: 'in' }>['media'],
  readonly [number, number, number]
> = {
  liveRock: [3.3, 1.7, 3.3],
  liveSand: [0.5, 0.3, 0.5],
  coatedRock: [0.4, 0.1, 0.14],
  establishedMedia: [45, 22, 50],
};

/**
 * What each kind of entry does to a world; *words* where it does nothing that is computed here. A kind without
 * its row does not compile.
 */
export const DEED_EFFECTS: { [K in EntryKind]: Effect<K> } = {
  reading: 'words',
  alarm: 'words',
  dose: dosed,
  waterChange: changed,
  topOff: (entry, context) => {
    const { state, nature } = context;
    const share = (entry.litres * byHand(context, 0.05)) / nature.litres;
    const salinity = entry.salinity ? toCanonical(entry.salinity.value, entry.salinity.unit) : 0;
    state.level += share;
    state.salt += salinity * share;
    state.saltIn += salinity * share;
    if (state.level > BRIM) spill(state, 1 - BRIM / state.level);
  },
  feed: (entry, { state, nature, hour }) => {
    const nitrogen =
      (fedGrams(entry) * FOODS_AS_FED[entry.food].protein * NITROGEN_PER_PROTEIN) / nature.litres;
    const fish = state.dwellers.some(({ group, count }) => group === 'fish' && count > 0);
    bring(state, 'labile', nitrogen);
    if (fish) state.fedUntil = Math.max(state.fedUntil, hour + 24);
  },
  animals: cameOrWent,
  observation: 'words',
  note: 'words',
  sighting: 'words',
  growthMeasure: 'words',
  light: (entry, { state }) => {
    state.lightHours = entry.state === 'on' ? (entry.hoursADay ?? 10) : 0;
  },
  organics: ({ action }, { state, nature }) => {
    if (action.what === 'prawnIn') {
      const nitrogen = (action.grams * PRAWN_N) / nature.litres;
      bring(state, 'labile', 0.6 * nitrogen);
      bring(state, 'stubborn', 0.4 * nitrogen);
      return;
    }
    const share = action.what === 'prawnOut' ? 0.8 : SIPHONED[action.amount];
    for (const name of ['labile', 'stubborn'] as const) {
      state.takenOut += state[name] * share;
      state[name] *= 1 - share;
    }
    if (action.what === 'siphoned') state.diatoms *= 1 - share;
  },
  media: ({ move }, context) => {
    const { state, nature } = context;
    if (move.to === 'out') return harm(context, 1 - move.share);
    const [quick, slow, nitrite] = BRINGS[move.media];
    const each = move.amount / nature.litres;
    const all = state.nitriteGuild + nitrite * each;
    // What comes alive is awake; together they are as awake as their shares.
    if (move.media !== 'coatedRock' && all > 0) {
      state.awake = (state.awake * state.nitriteGuild + nitrite * each) / all;
    }
    state.quick += quick * each;
    state.slow += slow * each;
    state.nitriteGuild = all;
  },
  treatment: ({ agent }, context) => {
    const spread = exactExp(SPREAD * context.chance.normal('hand', context.id));
    harm(context, exactPower(LEFT[agent], spread));
  },
  filled: 'words',
  running: 'words',
  lid: 'words',
  heaterCheck: ({ dial }, { state }) => {
    if (dial) state.dial = clamp(toCanonical(dial.value, dial.unit), 15, 32);
  },
  calibration: ({ adjusted, kitId, points }, context) => {
    if (!adjusted || context.measures(kitId) !== 'salinity') return;
    // Set with what nobody checked it is off by as much as before: a standard has salt in it.
    if (points.some(({ standard }) => standard > 1.01)) context.state.salinityOffset = 0;
  },
  saltMix: 'words',
  purified: 'words',
  weighing: 'words',
  dailyCheck: 'words',
  cleaning: (_entry, context) => harm(context, 0.05),
  sponge: ({ move }, context) => {
    if (move === 'discarded') harm(context, 0.6);
    if (move === 'working') {
      context.state.quick += 0.05;
      context.state.slow += 0.02;
      context.state.nitriteGuild += 0.05;
    }
  },
  standstill: ({ hours, kept }, context) => {
    context.state.stillUntil = context.hour + hours;
    harm(context, exactExp((-0.693147 * hours) / HALF_LOST[kept]));
  },
  medication: ({ act }, context) => {
    if (act === 'given') harm(context, 0.6);
  },
  cost: 'words',
  closed: 'words',
  taskMark: 'words',
};

function doAs<K extends EntryKind>(kind: K, entry: EntryOf<K>, context: DeedContext): void {
  const effect: Effect<K> = DEED_EFFECTS[kind];
  if (effect !== 'words') effect(entry, context);
}

/** Does a deed to a world. */
export function doDeed(deed: Deed, context: DeedContext): void {
  doAs(deed.entry.kind, deed.entry, context);
}

/** Whether a kind of entry does anything to a world. */
export const changesWorld = (kind: EntryKind): boolean => DEED_EFFECTS[kind] !== 'words';
