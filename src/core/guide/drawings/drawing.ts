export type Point = readonly [x: number, y: number];

/** What a page of the Guide shows: a picture, and what is to be seen in it. */
export interface PageDrawing {
  shape:
    | { kind: 'line'; marks: readonly { at: number; label: string }[] }
    | { kind: 'curve'; points: readonly Point[]; over: string; goal?: number };
  /** What its figures are counted in, and the digits that they deserve. */
  unit: string;
  digits: number;
  caption: string;
}
