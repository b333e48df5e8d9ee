import { piece, roomFor } from './piece';

const drawings = piece(() => import('./drawings'));

/** The heights, px, are what is held free while a drawing is fetched, with what can be done with it under it. */
const CHART_ROOM = 232;
const LINKS_ROOM = 48;

/** The timeline of a tank. */
export const Timeline = roomFor(drawings, 'Timeline', ({ bare }) =>
  bare ? 132 : 132 + LINKS_ROOM,
);

/** Series over time. */
export const TimeChart = roomFor(
  drawings,
  'TimeChart',
  ({ height }) => (height ?? CHART_ROOM) + LINKS_ROOM,
);

/** The scale of an instrument read by eye. */
export const ReadingScale = roomFor(drawings, 'ReadingScale', 380);

/** The small drawing of a sum. */
export const Sketch = roomFor(drawings, 'Sketch', 120 + LINKS_ROOM);

/** What a tank makes against what it bears. */
export const DemandBar = roomFor(drawings, 'DemandBar', 112 + LINKS_ROOM);

/** Weeks or months as bars. */
export const BarsChart = roomFor(drawings, 'BarsChart', 168 + LINKS_ROOM);

/** A probe's minutes, hours or months, moved under the finger. */
export const DenseChart = roomFor(drawings, 'DenseChart', 240 + LINKS_ROOM);
