import fc from 'fast-check';
import {
  layoutTimeline,
  openingSpan,
  pan,
  trackScale,
  wholeSpan,
  within,
  wordsWidth,
  zoom,
  type TimelineMark,
} from './layout';

const DAY = 86_400_000;
const mark = (id: number, day: number, passed = true): TimelineMark => ({
  id: String(id),
  label: 'Ammonia clear',
  date: '16 Nov',
  at: day * DAY,
  passed,
});

describe('the course', () => {
  it('never lets two labels of a row overlap, and never gives more than asked', () => {
    const days = fc.array(fc.double({ min: 0, max: 60, noNaN: true }), {
      minLength: 1,
      maxLength: 12,
    });
    fc.assert(
      fc.property(days, fc.integer({ min: 280, max: 900 }), (list, width) => {
        const marks = list.map((day, i) => mark(i, day));
        const now = 61 * DAY;
        const { marks: placed } = layoutTimeline(
          marks,
          now,
          wholeSpan(marks, now),
          width,
          5,
          'now, day 61',
        );
        const labelled = placed.filter((m) => m.row !== null);
        expect(labelled.length).toBeLessThanOrEqual(5);
        const half = wordsWidth('Ammonia clear') / 2;
        const box = ({ anchor, wordsX: x }: (typeof placed)[number]) =>
          ({ start: [x, x + 2 * half], end: [x - 2 * half, x], middle: [x - half, x + half] })[
            anchor
          ];
        for (const a of labelled) {
          const [left = 0, right = 0] = box(a);
          expect(left).toBeGreaterThanOrEqual(-1);
          expect(right).toBeLessThanOrEqual(width + 1);
          for (const b of labelled) {
            if (a === b || a.row !== b.row) continue;
            const [al = 0, ar = 0] = box(a);
            const [bl = 0, br = 0] = box(b);
            expect(ar <= bl || br <= al).toBe(true);
          }
        }
      }),
    );
  });

  it('labels what lies ahead before what is long past', () => {
    const marks = [mark(1, 0), mark(2, 1), mark(3, 2), mark(4, 40, false)];
    const { marks: placed } = layoutTimeline(
      marks,
      20 * DAY,
      wholeSpan(marks, 20 * DAY),
      300,
      1,
      'now',
    );
    expect(placed.filter((m) => m.row).map((m) => m.id)).toEqual(['4']);
  });

  it('names what comes next as it is opened, however far the plan reaches', () => {
    const days = fc.array(fc.double({ min: -1, max: 400, noNaN: true }), {
      minLength: 1,
      maxLength: 8,
    });
    const past = fc.integer({ min: 1, max: 200 });
    fc.assert(
      fc.property(days, past, fc.integer({ min: 280, max: 900 }), (list, age, width) => {
        const now = age * DAY;
        const marks = [mark(0, 0), ...list.map((day, i) => mark(i + 1, age + day, false))];
        const next = [...marks].filter(({ passed }) => !passed).sort((a, b) => a.at - b.at)[0];
        const span = openingSpan(marks, now, width, 5, `now, day ${age}`);
        const { marks: placed } = layoutTimeline(marks, now, span, width, 5, `now, day ${age}`);
        expect(span.from).toBeLessThanOrEqual(now);
        // Of several within a day one may stand for all; what is a day late shares the room of what is due now.
        const due = Math.max(next?.at ?? 0, now);
        const same = placed.filter(({ at }) => at >= (next?.at ?? 0) && at - due <= DAY);
        expect(same.some(({ row }) => row !== null)).toBe(true);
      }),
      {
        examples: [
          [[1.776356839400251e-15, -0.9999999999999982], 21, 280],
          [[-1.776356839400251e-15, -1.776356839400251e-15, 94.76824100276023, 0], 22, 304],
        ],
        numRuns: 300,
      },
    );
    // With room for all, all of it.
    const roomy = [mark(0, 0), mark(1, 30, false)];
    expect(openingSpan(roomy, 15 * DAY, 700, 9, 'now')).toEqual(wholeSpan(roomy, 15 * DAY));
  });

  it('stands words aside of a mark that has no room about it', () => {
    // Close behind now, whose line and label leave no room before it.
    const marks = [mark(1, 0), mark(2, 22, false), mark(3, 40, false)];
    const now = 20 * DAY;
    const { marks: placed } = layoutTimeline(
      marks,
      now,
      wholeSpan(marks, now),
      500,
      5,
      'now, day 20',
    );
    expect(placed.find((m) => m.id === '2')).toMatchObject({ row: 'above', anchor: 'start' });
  });

  it('stands the word of now where it leaves room for what lies ahead', () => {
    const now = 20 * DAY;
    const marks = [mark(1, 0), mark(2, 12), mark(3, 22, false), mark(4, 29, false)];
    const crowded = layoutTimeline(marks, now, wholeSpan(marks, now), 350, 5, 'now, day 20');
    expect(crowded.nowSide).toBe('left');
    expect(crowded.marks.filter((m) => !m.passed && m.row === null)).toEqual([]);
    const free = layoutTimeline([mark(1, 0)], now, wholeSpan([mark(1, 0)], now), 350, 5, 'now');
    expect(free.nowSide).toBe('right');
    // At the end of the track there is no room behind it.
    const late = layoutTimeline([mark(1, 0)], now, { from: 0, to: now }, 350, 5, 'now, day 20');
    expect(late.nowSide).toBe('left');
  });

  it('spans from the first mark to beyond now, in order', () => {
    const marks = [mark(1, 0), mark(2, 10)];
    const span = wholeSpan(marks, 20 * DAY);
    expect(span.from).toBe(0);
    expect(span.to).toBeGreaterThan(20 * DAY);
    const place = trackScale(span, 300);
    expect(place(span.from)).toBeLessThan(place(20 * DAY));
  });

  it('can be moved and scaled, and stays within itself', () => {
    const whole = { from: 0, to: 100 * DAY };
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom('pan', 'zoom'), fc.double({ min: -1, max: 3, noNaN: true })),
        ),
        (moves) => {
          let span = whole;
          for (const [kind, by] of moves) {
            span = within(
              kind === 'pan' ? pan(span, by) : zoom(span, Math.max(0.1, Math.abs(by)), 50 * DAY),
              whole,
            );
            expect(span.from).toBeGreaterThanOrEqual(whole.from - 1);
            expect(span.to).toBeLessThanOrEqual(whole.to + 1);
            expect(span.to).toBeGreaterThan(span.from);
          }
        },
      ),
    );
  });
});
