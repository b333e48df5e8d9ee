import { formatSignificant } from '../units/format';

/** Dissolved solids along a purifier, ppm as a pen shows them; left out where nobody measured. */
export interface Solids {
  tap?: number;
  membrane?: number;
  resin?: number;
}

/** A stage of a purifier that its own sign calls due. */
export interface StageDue {
  stage: string;
  why: string;
}

/** Below this share of the tap's solids held back, a membrane is worn or torn. */
const REJECTS = 0.9;
/** A resin that lets through this much, ppm, is used up. */
const RESIN_LEAVES = 2;

/**
 * Which stages are due by what the pen shows. Sediment and carbon show nothing in TDS: the one is
 * seen by colour or pressure, the other by its labelled litres or a test for total chlorine.
 */
export function stagesDue({ tap, membrane, resin }: Solids): StageDue[] {
  const due: StageDue[] = [];
  if (tap !== undefined && membrane !== undefined && tap > 0) {
    const rejected = 1 - membrane / tap;
    if (rejected < REJECTS) {
      due.push({
        stage: 'The membrane',
        why: `It holds back ${formatSignificant(Math.max(0, Math.round(rejected * 100)), 3)} % of the tap's solids; a sound one holds 95 and more. Look at pressure and temperature first, then renew it.`,
      });
    }
  }
  if (resin !== undefined && resin >= RESIN_LEAVES) {
    due.push({
      stage: 'The resin',
      why: `${formatSignificant(resin, 3)} ppm come through it: renew it before the next fill. What a spent resin lets go first is silicate, which feeds diatoms.`,
    });
  }
  return due;
}
