import fc from 'fast-check';
import { createRecord, removeRecord, reviseRecord } from '../core/records/acts';
import { derivedId } from '../core/math/hash';
import { headsOfType, mergeRevisions, type Log } from '../core/records/log';
import { onDay } from './logBuilder';

/** What is done to a log, by numbers: a note written, one corrected, one taken away; and which one. */
export type Move = readonly [what: number, which: number];
export const moves = fc.array(fc.tuple(fc.integer({ min: 0, max: 2 }), fc.nat(20)), {
  maxLength: 14,
});

/**
 * A log that lives on: notes written, corrected and taken away.
 * @param from numbers the first act, so that none is made twice
 * @param by whose acts they are and when the first was recorded; the others follow it by seconds
 */
export function livedOn(
  log: Log,
  steps: readonly Move[],
  from: number,
  by: { device: string; at: number } = { device: 'x', at: onDay(40) + from * 1000 },
): Log {
  return steps.reduce((now, [what, which], i) => {
    const heads = headsOfType(now, 'entry').filter(({ body }) => body.kind === 'note');
    const head = heads[which % Math.max(1, heads.length)];
    const act = {
      actId: derivedId(`act ${from + i}`),
      device: by.device,
      recordedAt: new Date(by.at + i * 1000).toISOString(),
    };
    if (what === 0 || !head || head.body.kind !== 'note') {
      const id = derivedId(`note ${from + i}`);
      const [tank] = now.tanks;
      const body = {
        kind: 'note' as const,
        tankId: tank?.id ?? '',
        at: act.recordedAt,
        text: `${i}`,
      };
      return mergeRevisions(now, [createRecord(act, id, 'entry', body)]);
    }
    const next =
      what === 1
        ? reviseRecord(act, head, { ...head.body, text: `${head.body.text}!` })
        : removeRecord(act, head);
    return mergeRevisions(now, [next]);
  }, log);
}
