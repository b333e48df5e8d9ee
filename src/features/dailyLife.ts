// What daily life needs, and what its tasks are worked out from, in one piece that is fetched once Today
// can be used: what these screens share with each other would otherwise land in the first load
// (decision 29).
export { renewAsks } from '@/store/asking';
export { InstrumentsScreen } from './instruments/InstrumentsScreen';
export { JournalScreen } from './journal/JournalScreen';
export { MoreScreen } from './shell/MoreScreen';
export { TermsHere } from './shell/TermsHere';
export { AwayScreen } from './maintenance/AwayScreen';
export { ChoreScreen } from './maintenance/ChoreScreen';
export { CostsScreen } from './maintenance/CostsScreen';
export { MonthScreen } from './maintenance/MonthScreen';
export { MovingScreen } from './maintenance/MovingScreen';
export { Reminders } from './maintenance/Reminders';
export { ChoresScreen } from './maintenance/ChoresScreen';
export { SheetScreen } from './maintenance/SheetScreen';
export { TodayFoot } from './maintenance/TodayFoot';
export { TodayTop } from './maintenance/TodayTop';
export { DosingScreen } from './water/DosingScreen';
export { waterSentence } from '@/core/water/waterSentence';
export { ParameterChart } from './water/ParameterChart';
export { WaterScreen } from './water/WaterScreen';
