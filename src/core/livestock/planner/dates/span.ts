/** How far a plan looks ahead, days. */
export const HORIZON = 540;
/** The month over which food at most doubles, days. */
export const MONTH = 30;

/** Ways in which a plan's future may differ from its middle: for the early and the late end of its dates. */
export interface Variant {
  ready: 'p10' | 'p50' | 'p90';
  /** Days by which every batch clears later. */
  longer: number;
}
export const MIDDLE: Variant = { ready: 'p50', longer: 0 };
