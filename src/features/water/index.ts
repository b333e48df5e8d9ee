// Fetched in one piece when Water is opened: both of its addresses share all of it.
export { WaterScreen } from './WaterScreen';
