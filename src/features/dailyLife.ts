// What daily life needs, and what its tasks are worked out from, in one piece that is fetched once Today
// can be used: what these screens share with each other would otherwise land in the first load
// (decision 29).
export { renewAsks } from '@/store/asking';
export { InstrumentsScreen } from './instruments/InstrumentsScreen';
export { JournalScreen } from './journal/JournalScreen';
export { MoreScreen } from './shell/MoreScreen';
export { AwayScreen } from './rhythm/AwayScreen';
export { ChoreScreen } from './rhythm/ChoreScreen';
export { CostsScreen } from './rhythm/CostsScreen';
export { MonthScreen } from './rhythm/MonthScreen';
export { MovingScreen } from './rhythm/MovingScreen';
export { OtherTanks } from './rhythm/OtherTanks';
export { Reminders } from './rhythm/Reminders';
export { RhythmScreen } from './rhythm/RhythmScreen';
export { SheetScreen } from './rhythm/SheetScreen';
export { TodayTop } from './rhythm/TodayTop';
export { WaterScreen } from './water/WaterScreen';
