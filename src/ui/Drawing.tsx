import { piece, roomFor } from './piece';

const drawings = piece(() => import('./drawings'));

/** The heights, px, are what is held free while a drawing is fetched. */
const CHART_ROOM = 232;

/** The timeline of a tank. */
export const Timeline = roomFor(drawings, 'Timeline', 132);

/** Series over time. */
export const TimeChart = roomFor(drawings, 'TimeChart', ({ height }) => height ?? CHART_ROOM);

/** The scale of an instrument read by eye. */
export const ReadingScale = roomFor(drawings, 'ReadingScale', 380);

/** The small drawing of a sum. */
export const Sketch = roomFor(drawings, 'Sketch', 120);

/** What a tank makes against what it bears. */
export const DemandBar = roomFor(drawings, 'DemandBar', 112);

/** Weeks or months as bars. */
export const BarsChart = roomFor(drawings, 'BarsChart', 168);
