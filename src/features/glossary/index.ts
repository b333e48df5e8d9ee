// The words with their meanings, fetched with the first look at them.
export { GuideScreen } from './GuideScreen';
export { offers } from './offers';
