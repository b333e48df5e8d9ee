import type { TankHistory } from '../history/tankHistory';

/** A history that lost a share of its rock, sand and media at its end, for a model to look ahead from. */
export function withoutShare(history: TankHistory, share: number, at: number): TankHistory {
  if (share <= 0) return history;
  const moment = at - 1000;
  const entry = {
    kind: 'media' as const,
    tankId: history.tankId,
    at: new Date(moment).toISOString(),
    move: { to: 'out' as const, share },
  };
  const out = { id: 'gap', at: moment, entry };
  return { ...history, entries: { ...history.entries, media: [...history.entries.media, out] } };
}
