// The catalogue with its data and its search, fetched in one piece when it is first opened.
export { AnimalScreen } from './AnimalScreen';
export { CatalogueScreen } from './CatalogueScreen';
