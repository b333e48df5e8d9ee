import { DAY_MS } from '../../time/zone';

/**
 * Lands dated things on whole steps without changing their order: a test made after a dose in the
 * same two hours sees it, and a test made before does not. Things must come in order of time.
 */
export class StepOrder {
  private lastEvent = -1;
  private lastIndex = 0;

  constructor(
    private readonly origin: number,
    private readonly stepsPerDay: number,
  ) {}

  /** Position in steps, as a fraction. */
  private position(at: number): number {
    return Math.max(0, ((at - this.origin) / DAY_MS) * this.stepsPerDay);
  }

  /** The step at whose start something done at `at` happens. */
  eventStep(at: number): number {
    const step = Math.max(Math.floor(this.position(at)), this.lastIndex);
    this.lastEvent = Math.max(this.lastEvent, step);
    return step;
  }

  /** The index of the course that a reading made at `at` looked at. */
  readingIndex(at: number): number {
    const index = Math.max(Math.ceil(this.position(at)), this.lastEvent + 1, this.lastIndex);
    this.lastIndex = index;
    return index;
  }
}
