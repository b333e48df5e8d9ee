// Daily life and what tasks of it are worked out from, fetched in one piece after Today can be used.
export { renewAsks } from '@/store/asking';
export { AwayScreen } from './AwayScreen';
export { ChoreScreen } from './ChoreScreen';
export { OtherTanks } from './OtherTanks';
export { Reminders } from './Reminders';
export { RhythmScreen } from './RhythmScreen';
export { SheetScreen } from './SheetScreen';
export { TodayTop } from './TodayTop';
