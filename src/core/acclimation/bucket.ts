import type { Water } from './waters';

/** A bucket into which tank water drips, and what is poured off it. */
export interface Drip {
  bag: Water;
  tank: Water;
  /** °C */
  room: number;
  /** Water at the start, L. */
  litres: number;
  /** mL/min, steady. */
  mlPerMinute: number;
  /** Poured off down to the start whenever this much stands in it, L. */
  pourAt: number;
}

export interface BucketPoint {
  minute: number;
  /** ppt */
  salinity: number;
  /** °C */
  temperature: number;
  /** Water in it, L. */
  litres: number;
}

export interface PourOff {
  minute: number;
  litres: number;
}

/**
 * Minutes in which an open bucket of two litres comes within a third of the room's temperature; taken to go
 * by its edge length. An estimate: a thermometer in the bucket goes before it.
 */
const ROOM_MINUTES = 80;

/** Time constant of a bucket towards its room, min. */
export function roomMinutes(litres: number): number {
  return ROOM_MINUTES * Math.cbrt(Math.max(litres, 0.05) / 2);
}

/**
 * Water of the tank in a bucket that does not run over, as a share.
 * @param litres at the start
 * @param drawn of the tank so far, L
 */
export function tankShare(litres: number, drawn: number): number {
  return drawn / (litres + drawn);
}

const STEP = 0.1;

/**
 * Follows a dripped bucket by the balance of its salt: exact between pour-offs. Its temperature mixes as the
 * salt does and leans towards the room meanwhile.
 * @param minutes how long
 * @param from where it stands already; the bag at the start without it
 */
export function dripCourse(
  { bag, tank, room, litres, mlPerMinute, pourAt }: Drip,
  minutes: number,
  from: BucketPoint = {
    minute: 0,
    salinity: bag.salinity,
    temperature: bag.temperature,
    litres,
  },
): { points: BucketPoint[]; pourOffs: PourOff[] } {
  const points: BucketPoint[] = [from];
  const pourOffs: PourOff[] = [];
  let { salinity, temperature, litres: volume } = from;
  const steps = Math.max(0, Math.round((minutes - from.minute) / STEP));
  const added = (mlPerMinute / 1000) * STEP;
  for (let i = 1; i <= steps; i += 1) {
    const minute = from.minute + i * STEP;
    const share = tankShare(volume, added);
    salinity += (tank.salinity - salinity) * share;
    temperature += (tank.temperature - temperature) * share;
    temperature += (room - temperature) * (1 - Math.exp(-STEP / roomMinutes(volume)));
    volume += added;
    if (volume >= pourAt - 1e-9 && i < steps) {
      pourOffs.push({ minute, litres: volume - litres });
      volume = litres;
    }
    if (i % Math.round(1 / STEP) === 0 || i === steps) {
      points.push({ minute, salinity, temperature, litres: volume });
    }
  }
  return { points, pourOffs };
}

/** Tank water that a drip must bring in so that a gap closes to a remainder: in fillings of the bucket. */
export function doublings(share: number): number {
  return Math.log(1 / (1 - share)) / Math.LN2;
}

/** The largest change of salinity within any hour of a course, ppt. */
export function fastestHour(points: readonly BucketPoint[]): number {
  let fastest = 0;
  let start = 0;
  for (const [end, point] of points.entries()) {
    while (point.minute - (points[start]?.minute ?? 0) > 60 && start < end) start += 1;
    const first = points[start];
    if (first) fastest = Math.max(fastest, Math.abs(point.salinity - first.salinity));
  }
  return fastest;
}
