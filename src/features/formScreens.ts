// Every screen that holds a form, so that the form engine is fetched in one piece when the first of
// them is opened, and not with the first load (decision 29).
export { KitFormScreen } from './instruments/KitFormScreen';
export { OwnTestsScreen } from './instruments/OwnTestsScreen';
export { EntryScreen } from './log/EntryScreen';
export { NewEntryScreen } from './log/NewEntryScreen';
export { SetUpScreen } from './tank/SetUpScreen';
export { TankPartScreen } from './tank/TankPartScreen';
export { TankScreen } from './tank/TankScreen';
export { MedicineForm } from './stock/quarantine/MedicineForm';
export { ProtocolForm } from './stock/quarantine/ProtocolForm';
export { ChoreForm } from './maintenance/ChoreForm';
export { AwayForm } from './maintenance/AwayForm';
export { logOffers } from './log/offers';

// What a report of a tank says of it, as its page does.
export { describeTank, waterSentence as tankWater } from '@/core/tank/description';
export { factsOf } from '@/core/tank/tankFacts';
