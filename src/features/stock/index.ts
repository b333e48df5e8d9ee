// Stock and the catalogue with its data and its search, fetched in one piece when first opened.
export { AnimalScreen } from './AnimalScreen';
export { CatalogueScreen } from './CatalogueScreen';
export { LotScreen } from './LotScreen';
export { StockPage } from './StockPage';
export { StockScreen } from './StockScreen';
