// The guide and the words with their meanings, fetched with the first look at them.
export { GuideScreen } from './GuideScreen';
export { PageScreen } from './PageScreen';
export { offers } from './offers';
