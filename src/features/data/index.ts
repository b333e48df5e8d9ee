// What is changed, kept and carried, in one piece; spreadsheets have their own.
export { ChangesScreen } from './ChangesScreen';
export { DataScreen } from './DataScreen';
export { DevicesScreen } from './devices/DevicesScreen';
