// Stock and the catalogue with its data and its search, fetched in one piece when first opened.
export { AnimalScreen } from './AnimalScreen';
export { CatalogueScreen } from './CatalogueScreen';
export { CohortScreen } from './CohortScreen';
export { StockPage } from './StockPage';
export { StockScreen } from './StockScreen';
export { BatchScreen } from './quarantine/BatchScreen';
export { QuarantinePage } from './quarantine/QuarantinePage';
export { QuarantineScreen } from './quarantine/QuarantineScreen';
export { AcclimateScreen } from './acclimation/AcclimateScreen';
export { AcclimationScreen } from './acclimation/AcclimationScreen';
export { animalOffers, offers } from './offers';
// With the engine that finds animals: shared by two pieces it would land in the first load.
export { searchIn } from '@/core/search/search';
