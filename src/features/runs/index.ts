// Runs and every procedure, fetched in one piece with the first run that goes on or is opened.
export { EmergencyScreen } from './EmergencyScreen';
export { LiveRuns } from './LiveRuns';
export { RunBar } from './RunBar';
export { RunScreen } from './RunScreen';
export { offers } from './offers';
