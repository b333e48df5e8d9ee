// Instruments that are read by themselves, fetched in one piece where one is (decision 29).
export { AlarmBand } from './AlarmBand';
export { ConnectedScreen } from './ConnectedScreen';
export { ConnectionScreen } from './ConnectionScreen';
export { Listening } from './Listening';
