import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** A milestone as the course draws it. */
export interface TimelineMark {
  id: string;
  label: string;
  /** Its date or range in words. */
  date: string;
  at: number;
  passed: boolean;
  range?: { low: number; high: number; innerLow: number; innerHigh: number };
}

export interface Span {
  from: number;
  to: number;
}

export interface PlacedMark extends TimelineMark {
  x: number;
  /** Null where there is no room for its words. */
  row: 'above' | 'below' | null;
  anchor: 'start' | 'middle' | 'end';
  /** Where its words are anchored, px: at its circle, or beside the line of now where that is in the way. */
  wordsX: number;
  range?: { low: number; high: number; innerLow: number; innerHigh: number };
}

/** Widths of letters at 13 px by their kind, px; a little generous, so that labels never touch. */
const WIDTHS: readonly [letters: RegExp, width: number][] = [
  [/[ijlI.,:;'’ ]/, 4],
  [/[frt]/, 5.2],
  [/[mwMW]/, 11.2],
  [/[A-Z]/, 9],
];
const USUAL_WIDTH = 7.4;

/** Room that words take at 13 px, px. */
export function wordsWidth(words: string): number {
  let sum = 0;
  for (const letter of words) {
    sum += WIDTHS.find(([letters]) => letters.test(letter))?.[1] ?? USUAL_WIDTH;
  }
  return sum;
}

const GAP = 8;
/** Half of the room that the line of now takes above the track, px. */
const NOW_LINE = 3;
/** Room at the ends of the track. */
export const TIMELINE_INSET = 8;

/** The whole course: from the first mark to the last, with some of what lies ahead. */
export function wholeSpan(marks: readonly TimelineMark[], now: number): Span {
  const starts = marks.map((mark) => mark.range?.low ?? mark.at);
  const ends = marks.map((mark) => mark.range?.high ?? mark.at);
  const from = Math.min(now, ...starts);
  const last = Math.max(now, ...ends);
  const length = Math.max(last - from, 86_400_000);
  return { from, to: last + length * (last > now ? 0.06 : 0.22) };
}

/** Where moments lie on a track of the given width, ms to px. */
export function trackScale(span: Span, width: number): ScaleLinear<number, number> {
  return scaleLinear([span.from, span.to], [TIMELINE_INSET, Math.max(1, width) - TIMELINE_INSET]);
}

interface Box {
  left: number;
  right: number;
}

type Placing = Box & { anchor: PlacedMark['anchor'] };

/** Nearer to the line of now than this a mark's words may stand beside the line instead of at its circle, px. */
const BESIDE_NOW = 20;

/** Room for words beside the line of now: on the side that a mark lies on, else on the other. */
function besideNow(nowX: number, x: number, room: number): Placing[] {
  const gap = NOW_LINE + GAP;
  const sides: Placing[] = [
    { left: nowX + gap, right: nowX + gap + room, anchor: 'start' },
    { left: nowX - gap - room, right: nowX - gap, anchor: 'end' },
  ];
  return x >= nowX ? sides : sides.reverse();
}

/** The ways in which a mark's words may stand at its circle within the track, the best first. */
function boxesOf(mark: TimelineMark, x: number, width: number, nowX: number): Placing[] {
  const room = Math.max(wordsWidth(mark.label), wordsWidth(mark.date));
  const [start, end] = [x - TIMELINE_INSET, x + TIMELINE_INSET];
  const ways: Placing[] = [
    { left: x - room / 2, right: x + room / 2, anchor: 'middle' },
    { left: start, right: start + room, anchor: 'start' },
    { left: end - room, right: end, anchor: 'end' },
    ...(Math.abs(x - nowX) < BESIDE_NOW ? besideNow(nowX, x, room) : []),
  ];
  return ways.filter(({ left, right }) => left >= -1 && right <= width + 1);
}

/** What rounding may take from a gap, px: words that stand just beside a line would else have no room there. */
const ROUNDING = 1e-6;

function isFree(row: readonly Box[], box: Box): boolean {
  const gap = GAP - ROUNDING;
  return row.every((other) => box.right + gap <= other.left || box.left - gap >= other.right);
}

/** What matters most is labelled first: what lies ahead, then what was passed last. */
function byWeight(now: number) {
  return (a: TimelineMark, b: TimelineMark): number => {
    if (a.passed !== b.passed) return a.passed ? 1 : -1;
    return Math.abs(a.at - now) - Math.abs(b.at - now);
  };
}

/** Marks in their places, and the side of its line on which the word of *now* stands. */
export interface TimelineLayout {
  marks: PlacedMark[];
  nowSide: 'left' | 'right';
}

/** Room between the line of now and its word. */
const NOW_GAP = 6;

/**
 * Places marks along a track and their words in two rows, without overlap: at most `most` get
 * words. The word of *now* stands in the lower row, on the side of its line that leaves most room
 * for the others, those ahead first. The rest are drawn bare; the table beside the course names them
 * all.
 */
export function layoutTimeline(
  marks: readonly TimelineMark[],
  now: number,
  span: Span,
  width: number,
  most: number,
  nowLabel: string,
): TimelineLayout {
  const nowX = trackScale(span, width)(now);
  const room = wordsWidth(nowLabel) + NOW_GAP;
  const sides = (['right', 'left'] as const).filter((side) =>
    side === 'right' ? nowX + room <= width : nowX - room >= 0,
  );
  const layouts = (sides.length > 0 ? sides : (['right'] as const)).map((nowSide) => ({
    nowSide,
    marks: placeMarks(marks, now, span, width, most, {
      left: nowSide === 'right' ? nowX - 2 : nowX - room,
      right: nowSide === 'right' ? nowX + room : nowX + 2,
    }),
  }));
  const worth = ({ marks: placed }: TimelineLayout) =>
    placed.reduce((sum, m) => sum + (m.row === null ? 0 : m.passed ? 1 : 100), 0);
  return layouts.reduce((best, other) => (worth(other) > worth(best) ? other : best));
}

function placeMarks(
  marks: readonly TimelineMark[],
  now: number,
  span: Span,
  width: number,
  most: number,
  nowBox: Box,
): PlacedMark[] {
  const place = trackScale(span, width);
  const visible = marks.filter((mark) => {
    const x = place(mark.at);
    return x >= 0 && x <= width;
  });
  const nowX = place(now);
  const below: Box[] = [nowBox];
  const above: Box[] = [{ left: nowX - NOW_LINE, right: nowX + NOW_LINE }];
  const rows = new Map<string, Pick<PlacedMark, 'row' | 'anchor' | 'wordsX'>>();
  let left = most;
  const first = visible[0];
  const weighed = [...visible].sort(byWeight(now));
  // The start is what every other date is read against.
  const ordered = first ? [...weighed.slice(0, 2), first, ...weighed.slice(2)] : weighed;
  for (const mark of ordered) {
    if (left === 0 || rows.has(mark.id)) continue;
    const found = boxesOf(mark, place(mark.at), width, nowX)
      .flatMap((box) => [
        { box, row: 'above' as const, taken: above },
        { box, row: 'below' as const, taken: below },
      ])
      .find(({ box, taken }) => isFree(taken, box));
    if (!found) continue;
    found.taken.push(found.box);
    const { anchor, left: start, right: end } = found.box;
    const wordsX = { start, middle: (start + end) / 2, end }[anchor];
    rows.set(mark.id, { row: found.row, anchor, wordsX });
    left -= 1;
  }
  return visible.map((mark) => ({
    ...mark,
    x: place(mark.at),
    ...(rows.get(mark.id) ?? { row: null, anchor: 'middle', wordsX: place(mark.at) }),
    range: mark.range && {
      low: place(mark.range.low),
      high: place(mark.range.high),
      innerLow: place(mark.range.innerLow),
      innerHigh: place(mark.range.innerHigh),
    },
  }));
}

/**
 * What of a course is in sight first: all of it, unless what lies months ahead would squeeze what comes
 * next until its name has no room. Then the furthest is left beyond the edge, and in the end what is past.
 * What comes next is named, and where there is room what comes after it.
 */
export function openingSpan(
  marks: readonly TimelineMark[],
  now: number,
  width: number,
  most: number,
  nowLabel: string,
): Span {
  const whole = wholeSpan(marks, now);
  const ahead = marks.filter(({ passed }) => !passed).sort((a, b) => a.at - b.at);
  const [next, after] = ahead;
  const worth = (span: Span) => {
    const placed = layoutTimeline(marks, now, span, width, most, nowLabel).marks;
    const named = (one: TimelineMark | undefined) =>
      !one || placed.some((mark) => mark.id === one.id && mark.row !== null);
    return (named(next) ? 2 : 0) + (named(after) ? 1 : 0);
  };
  let best = { span: whole, worth: worth(whole) };
  // With all of the past first, then with ever less of it; each with as much ahead as leaves room.
  for (const past of [Infinity, 1, 0.3, 0.1]) {
    for (const last of [...ahead].reverse()) {
      if (best.worth === 3) return best.span;
      const to = last.range?.high ?? last.at;
      const from = Math.max(whole.from, now - past * (to - now));
      const length = Math.max(to - from, 2 * 86_400_000);
      const span = within({ from, to: from + length * 1.1 }, whole);
      const found = worth(span);
      if (found > best.worth) best = { span, worth: found };
    }
  }
  return best.span;
}

/** A span moved by a share of its own length. */
export function pan(span: Span, share: number): Span {
  const by = (span.to - span.from) * share;
  return { from: span.from + by, to: span.to + by };
}

/** A span made longer (factor above 1) or shorter about a moment, never under two days. */
export function zoom(span: Span, factor: number, about: number): Span {
  const least = 2 * 86_400_000;
  const length = Math.max(least, (span.to - span.from) * factor);
  const share = (about - span.from) / (span.to - span.from);
  return { from: about - share * length, to: about + (1 - share) * length };
}

/** A span kept within a whole one, and no longer than it. */
export function within(span: Span, whole: Span): Span {
  const length = Math.min(span.to - span.from, whole.to - whole.from);
  const from = Math.min(Math.max(span.from, whole.from), whole.to - length);
  return { from, to: from + length };
}
