// Both drawings with the packages under them, fetched as one piece (see docs/decisions.md).
export { TimeChart } from './chart/TimeChart';
export { Course } from './course/Course';
export { DemandBar } from './demand/DemandBar';
export { LoadChart } from './load/LoadChart';
export { ReadingScale } from './scale/ReadingScale';
export { Sketch } from './sketch/Sketch';
