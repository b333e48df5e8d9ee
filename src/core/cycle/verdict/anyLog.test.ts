import fc from 'fast-check';
import { tankHistory, riseOf, type Revision, type DoneRuleChoice } from '../..';
import { DAY, HOUR, LogBuilder, onDay } from '../../../testing/logBuilder';
import { judge } from '../../../testing/assured';

const AMMONIA = [0, 0.25, 0.5, 1, 2, 4];
const NITRITE = [0, 0.25, 0.5, 1, 2, 5];

const doneRule = (choice: DoneRuleChoice) => ({ doneRule: choice });

const event = fc.oneof(
  { weight: 4, arbitrary: fc.tuple(fc.constant('a'), fc.nat(40), fc.nat(23), fc.nat(5)) },
  { weight: 4, arbitrary: fc.tuple(fc.constant('n'), fc.nat(40), fc.nat(23), fc.nat(5)) },
  { weight: 1, arbitrary: fc.tuple(fc.constant('d'), fc.nat(40), fc.nat(23), fc.nat(3)) },
  { weight: 1, arbitrary: fc.tuple(fc.constant('w'), fc.nat(40), fc.nat(23), fc.nat(90)) },
);
const choice = fc.constantFrom<DoneRuleChoice>(
  { rule: 'bothZero' },
  { rule: 'bothZeroHeld', daysAtZero: 7 },
  { rule: 'bothZeroHeld', daysAtZero: 14 },
  { rule: 'challenge', windowHours: 24 },
  { rule: 'challenge', windowHours: 48 },
);
/** Cards mostly read zero near the end, so that a good share of the logs is ready. */
const biased = fc.record({
  choice,
  events: fc.array(event, { maxLength: 25 }),
  ending: fc.boolean(),
});

function build({
  choice: c,
  events,
  ending,
}: {
  choice: DoneRuleChoice;
  events: (string | number)[][];
  ending: boolean;
}) {
  const builder = new LogBuilder(doneRule(c));
  for (const [kind, day, hour, size] of events as [string, number, number, number][]) {
    const at = onDay(day, hour);
    if (kind === 'a') builder.ammonia(at, AMMONIA[size] ?? 0);
    if (kind === 'n') builder.nitrite(at, NITRITE[size] ?? 0);
    if (kind === 'd') builder.dose(at, size + 0.5);
    if (kind === 'w') builder.waterChange(at, size + 1);
  }
  if (ending) {
    builder.dose(onDay(33), 2);
    for (const day of [34, 38, 42, 48]) {
      builder.ammonia(onDay(day), 0);
      builder.nitrite(onDay(day), 0);
    }
  }
  const at = onDay(ending ? 48 : 41, 20);
  builder.conditions(at - HOUR);
  return { builder, at };
}

describe('whatever is logged', () => {
  it('a ready verdict always has the chain seen or challenged, and fresh trusted zeros', () => {
    let ready = 0;
    fc.assert(
      fc.property(biased, (spec) => {
        const { builder, at } = build(spec);
        const verdict = judge(builder, at);
        if (!verdict.ready) return;
        ready += 1;
        const history = tankHistory(builder.log(), builder.tankId, at);
        const { readings, entries } = history;
        const seen = readings.nitrite.some((r) => r.clearlyAbove);
        expect(seen || entries.dose.some((dose) => (riseOf(dose, history) ?? 0) >= 1.5)).toBe(true);
        for (const parameter of ['ammonia', 'nitrite'] as const) {
          const last = readings[parameter].at(-1);
          expect(last?.zero).toBe(true);
          expect(last?.expired).toBe(false);
          expect(at - (last?.at ?? 0)).toBeLessThanOrEqual(3 * DAY);
        }
      }),
      { numRuns: 300 },
    );
    expect(ready).toBeGreaterThan(20);
  });

  // Of what a zero rests on: a higher reading that is gone since shows more work, not less.
  it('raising a reading that a zero rests on never makes it ready', () => {
    fc.assert(
      fc.property(biased, fc.nat(), fc.nat(), (spec, pick, lift) => {
        const { builder, at } = build(spec);
        const before = judge(builder, at);
        const zeros = before.criteria.filter((c) => /zero/i.test(c.id));
        const deciding = new Set(zeros.flatMap((c) => c.deciding));
        const candidates = builder.revisions.filter(
          (r) =>
            deciding.has(r.id) &&
            r.type === 'entry' &&
            r.body.kind === 'reading' &&
            (r.body.parameter === 'ammonia' || r.body.parameter === 'nitrite'),
        );
        const chosen = candidates[pick % Math.max(1, candidates.length)];
        if (chosen?.type !== 'entry' || chosen.body.kind !== 'reading') return;
        const { value } = chosen.body;
        if (value.form !== 'card' || value.low >= 5) return;
        const step = value.low + 1 + (lift % (5 - value.low));
        const raised: Revision = {
          ...chosen,
          body: { ...chosen.body, value: { ...value, low: step, high: step } },
        };
        const after = judge(
          builder,
          at,
          builder.revisions.map((r) => (r === chosen ? raised : r)),
        );
        expect(after.ready && !before.ready).toBe(false);
        if (value.low === 0 && before.ready) {
          const now = zeros.filter((c) => /Zero$/.test(c.id));
          if (now.some((c) => c.deciding.includes(chosen.id))) expect(after.ready).toBe(false);
        }
      }),
      { numRuns: 600 },
    );
  });

  it('the order in which entries were recorded does not matter', () => {
    fc.assert(
      fc.property(biased, fc.integer(), (spec, seed) => {
        const { builder, at } = build(spec);
        const shuffled = [...builder.revisions].sort(
          (a, b) => hash(a.id + seed) - hash(b.id + seed),
        );
        expect(judge(builder, at, shuffled)).toEqual(judge(builder, at));
      }),
      { numRuns: 60 },
    );
  });
});

function hash(text: string): number {
  let h = 7;
  for (const letter of text) h = (Math.imul(h, 31) + letter.charCodeAt(0)) | 0;
  return h;
}
