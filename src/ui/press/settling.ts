/** Where a target lies on the screen, px. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** What is seen of a target: where it lies, null where it is not shown, and what a tap on it does. */
export interface Sight {
  box: Box | null;
  act: string;
}

/** How long a target takes no tap after it came under the finger, ms: longer than a double tap. */
export const SETTLES_MS = 350;
/** Nearer than this a target has not moved, px: a figure in it grew by a digit. */
const NUDGE_PX = 8;

interface Known extends Sight {
  /** When it may be tapped. */
  from: number;
}

interface Trace {
  box: Box;
  /** Whether a target is a part of what left this trace, and so was never under it. */
  until: number;
}

const far = (a: Box, b: Box) =>
  Math.abs(a.left - b.left) > NUDGE_PX || Math.abs(a.top - b.top) > NUDGE_PX;

/** Whether two boxes share more than an edge. */
function overlap(a: Box, b: Box): boolean {
  const across = Math.min(a.left + a.width, b.left + b.width) - Math.max(a.left, b.left);
  const down = Math.min(a.top + a.height, b.top + b.height) - Math.max(a.top, b.top);
  return across > NUDGE_PX && down > NUDGE_PX;
}

/**
 * Which targets just came under a finger. A target that appeared, moved, was given another act, or was
 * uncovered by one that left settles for 350 ms; what kept its identity, act and place is ready at once,
 * whatever goes on around it. Times are ms of one clock, which the caller reads.
 */
export function createSettling<T>() {
  const known = new Map<T, Known>();
  let traces: Trace[] = [];
  const leave = (box: Box | null, now: number) => {
    if (box) traces.push({ box, until: now + SETTLES_MS });
  };
  return {
    /** What is seen of every target now; those that are not among them have left. */
    saw(sights: ReadonlyMap<T, Sight>, now: number): void {
      traces = traces.filter(({ until }) => until > now);
      const before = traces.length;
      for (const [target, { box }] of known) {
        const seen = sights.get(target)?.box ?? null;
        if (box && !(seen && !far(box, seen))) leave(box, now);
        if (!sights.has(target)) known.delete(target);
      }
      const fresh = traces.slice(before);
      for (const [target, { box, act }] of sights) {
        const was = known.get(target);
        const kept = was?.box && box && !far(was.box, box) && was.act === act;
        const uncovered = box !== null && fresh.some((trace) => overlap(trace.box, box));
        known.set(target, {
          act,
          // What creeps by a little at a time has moved in the end.
          box: kept ? was.box : box,
          from: kept && !uncovered ? was.from : now + SETTLES_MS,
        });
      }
    },
    /** A keeper's own scrolling carries these targets along, by so many px. */
    carried(targets: Iterable<T>, right: number, down: number): void {
      for (const target of targets) {
        const one = known.get(target);
        if (!one?.box) continue;
        one.box = { ...one.box, left: one.box.left + right, top: one.box.top + down };
      }
    },
    /** When a target may be tapped: a moment that may have passed; null for one that was never seen. */
    readyFrom(target: T): number | null {
      return known.get(target)?.from ?? null;
    },
    actOf(target: T): string | undefined {
      return known.get(target)?.act;
    },
    /** Those that settle now. */
    *unsettled(now: number): Generator<T> {
      for (const [target, { box, from }] of known) if (box && from > now) yield target;
    },
  };
}
