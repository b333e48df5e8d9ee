import { createRecord } from '../src/core/records/acts';
import { kitFrom } from '../src/core/records/kitTemplates';
import type { Revision } from '../src/core/records/schema/revision';
import { HOUR_MS } from '../src/core/time/zone';
import { BARE_TANK, testId } from '../src/testing/logBuilder';

let made = 0;
export const newId = () => testId((made += 1));
export const stamp = (now: number) => ({
  actId: newId(),
  device: 'bench',
  recordedAt: new Date(now).toISOString(),
});

const KITS = ['ammoniaCard', 'nitriteCard', 'nitrateCard', 'alkalinityDrops'] as const;

/** One tank that runs for years, and so many readings of it, four kinds in turn. */
export function oneTank(
  readings: number,
  now: number,
): {
  revisions: Revision[];
  tankId: string;
  kitId: string;
} {
  const tankId = newId();
  const kits = KITS.map((template, order) =>
    createRecord(stamp(now), newId(), 'kit', kitFrom(template, order)),
  );
  const entry = (at: number, body: object) =>
    createRecord(stamp(now), newId(), 'entry', {
      tankId,
      at: new Date(at).toISOString(),
      ...body,
    } as never);
  const span = 4 * HOUR_MS;
  const first = now - readings * span;
  const revisions: Revision[] = [
    createRecord(stamp(now), tankId, 'tank', BARE_TANK),
    ...kits,
    entry(first, { kind: 'filled' }),
    entry(first + HOUR_MS, { kind: 'running' }),
  ];
  for (let n = 0; n < readings; n += 1) {
    const kit = kits[n % kits.length];
    if (!kit) break;
    const { body } = kit;
    const value =
      body.scale.form === 'card'
        ? { form: 'card', steps: body.scale.steps, low: n % 2, high: n % 2 }
        : { form: 'digital', value: 8, unit: body.unit };
    revisions.push(
      entry(first + (n + 1) * span - HOUR_MS, {
        kind: 'reading',
        parameter: body.parameter,
        kitId: kit.id,
        dilution: 1,
        value,
      }),
    );
  }
  return { revisions, tankId, kitId: kits[0]?.id ?? '' };
}
