/** Where a target lies on the screen, px. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** What is seen of a target. */
export interface Sight {
  /** Where it lies; null where it is not shown. */
  box: Box | null;
  /** The part of it that can be tapped: what is scrolled out of sight cannot. */
  shown: Box | null;
  /** What a tap on it does. */
  act: string;
  /** The sheet that it lies on; null for the page beneath. */
  layer: unknown;
}

/** How long a target takes no tap after it came under the finger, ms: longer than a double tap. */
export const SETTLES_MS = 350;
/** Nearer than this a target has not moved, px: a figure in it grew by a digit. */
const NUDGE_PX = 8;

interface Known extends Sight {
  /** When it may be tapped. */
  from: number;
}

const far = (a: Box, b: Box) =>
  Math.abs(a.left - b.left) > NUDGE_PX || Math.abs(a.top - b.top) > NUDGE_PX;

/** Whether two boxes share more than an edge. */
function overlap(a: Box | null, b: Box | null): boolean {
  if (!a || !b) return false;
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
  return {
    /** What is seen of every target now; those that are not among them have left. */
    saw(sights: ReadonlyMap<T, Sight>, now: number): void {
      const left: Known[] = [];
      for (const [target, was] of known) {
        const seen = sights.get(target)?.box ?? null;
        if (was.box && !(seen && !far(was.box, seen))) left.push(was);
        if (!sights.has(target)) known.delete(target);
      }
      for (const [target, sight] of sights) {
        const { box, act, shown, layer } = sight;
        const was = known.get(target);
        const kept = was?.box && box && !far(was.box, box) && was.act === act;
        // What moves on the page beneath uncovers nothing that lies on a sheet.
        const uncovered = left.some(
          (gone) => (layer === null || layer === gone.layer) && overlap(gone.shown, shown),
        );
        known.set(target, {
          ...sight,
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
        const moved = (box: Box) => ({ ...box, left: box.left + right, top: box.top + down });
        one.box = moved(one.box);
        if (one.shown) one.shown = moved(one.shown);
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
