// Both screens and every sum, fetched in one piece when Bench is opened: what two routes share would
// otherwise land in the first load.
export { CalculatorsScreen } from './CalculatorsScreen';
export { SumScreen } from './SumScreen';
export { offers } from './offers';
