// All of practice, fetched in one piece when it is first opened (decision 29).
export { AfterScreen } from './AfterScreen';
export { KitShows } from './KitShows';
export { PracticeBand } from './PracticeBand';
export { PracticeScreen } from './PracticeScreen';
