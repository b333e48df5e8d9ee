// Both drawings with the packages under them, fetched as one piece (decision 29).
export { TimeChart } from './chart/TimeChart';
export { Timeline } from './timeline/Timeline';
export { DemandBar } from './demand/DemandBar';
export { BarsChart } from './bars/BarsChart';
export { ReadingScale } from './scale/ReadingScale';
export { Sketch } from './sketch/Sketch';
export { DenseChart } from './dense/DenseChart';
