// What is changed, kept and carried, in one piece; spreadsheets have their own.
export { rememberBrought } from '@/store/brought';
export { ChangesScreen } from './ChangesScreen';
export { KeptCopies } from './DailyCopy';
export { FolderReminder } from './DailyFolder';
export { DataScreen } from './DataScreen';
export { DevicesScreen } from './devices/DevicesScreen';
export { KeptAsRunScreen } from './KeptAsRun';
