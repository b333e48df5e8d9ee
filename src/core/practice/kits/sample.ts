import { exactExp } from '../../math/exact';
import { fromCanonical } from '../../parameters/convert';
import type { ParameterId } from '../../parameters/registry';
import type { Kit } from '../../records/schema/kit';
import { MEQ_PER_DKH } from '../../units/constants';
import { truthOf, type Lived, type Truth } from '../world/live';

/** What of a world each parameter is a test of; what is not told here stands as it usually is in the sea. */
const TESTED: Record<ParameterId, { truth: Truth; times?: number } | { always: number }> = {
  ammonia: { truth: 'ammonia' },
  freeAmmonia: { truth: 'freeAmmonia' },
  nitrite: { truth: 'nitrite' },
  nitrate: { truth: 'nitrate' },
  ph: { truth: 'ph' },
  alkalinity: { truth: 'alkalinity', times: MEQ_PER_DKH },
  salinity: { truth: 'salinity' },
  temperature: { truth: 'temperature' },
  phosphate: { truth: 'phosphate' },
  calcium: { always: 420 },
  magnesium: { always: 1320 },
};

/** What is truly in the water, canonical. */
export function trueValue(parameter: ParameterId, lived: Lived): number {
  const tested = TESTED[parameter];
  if ('always' in tested) return tested.always;
  return (tested.times ?? 1) * truthOf(tested.truth, lived.state);
}

/** Share of its colour that a kit's reagent still gives. */
function reagentOf(kitId: string, parameter: ParameterId, { nature, start }: Lived): number {
  if (!start.oldKits.has(kitId)) return 1;
  const { ammoniaReagent, nitriteReagent } = nature.hidden;
  if (parameter === 'ammonia') return ammoniaReagent ?? 1;
  return parameter === 'nitrite' ? (nitriteReagent ?? 1) : 1;
}

/** A nitrate kit reads nitrite as several times as much nitrate. */
const NITRITE_AS_NITRATE = 4;
/** How quickly a colour comes: share of its wait after which two thirds are there. */
const DEVELOPS = 0.3;

/** What a sample in a kit shows. */
export interface Sample {
  /** What its colour stands for, or what its digits say, in the kit's unit. */
  shown: number;
  /** Whether the second bottle was not shaken, so that it lacks colour: nobody notices. */
  unshaken: boolean;
}

/**
 * A test made at a tank: the kit's own bias, drops that are miscounted, a bottle that was not shaken, and a
 * colour that has come as far as it was given time.
 * @param waited share of its wait that has passed, 1 and more once it may be read
 */
export function sampleOf(kitId: string, kit: Kit, lived: Lived, waited = 1): Sample {
  const { chance, hour, state } = lived;
  const { parameter, scale } = kit;
  const truth = trueValue(parameter, lived);
  if (scale.form === 'digital') {
    const old = lived.start.oldKits.has(kitId);
    const offset = old && parameter === 'salinity' ? state.salinityOffset : 0;
    const off = (scale.accuracy / 2) * chance.normal('kit', kitId);
    const scatter = (scale.resolution / 2) * chance.normal('eye', kitId, hour);
    const value = fromCanonical(truth + offset, kit.unit, state.temperature) + off + scatter;
    return {
      shown: Math.max(0, Math.round(value / scale.resolution) * scale.resolution),
      unshaken: false,
    };
  }
  const own = exactExp(0.1 * chance.normal('kit', kitId));
  const drops = exactExp(0.08 * chance.normal('hand', kitId, hour));
  const unshaken = kit.reduction && chance.even('hand', `${kitId}/shaken`, hour) < 0.15;
  const developed = waited >= 1 || kit.waitMinutes === 0 ? 1 : 1 - exactExp(-waited / DEVELOPS);
  const also = kit.reduction ? NITRITE_AS_NITRATE * trueValue('nitrite', lived) : 0;
  const value = Math.max(0, fromCanonical(truth + also, kit.unit));
  const colour =
    own * drops * developed * reagentOf(kitId, parameter, lived) * (unshaken ? 0.4 : 1);
  return { shown: value * colour, unshaken };
}
