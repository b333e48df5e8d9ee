// What reads typed days, fetched in one piece with the first of them.
export { DayField } from './DayField';
export { TypedDay } from './TypedDay';
