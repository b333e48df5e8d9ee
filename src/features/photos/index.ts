// Everything of photos in one piece, fetched with the first of them: Stock and Data both show them.
export { importPhotos } from '@/store/photos';
export { importPhotosFile } from './importing';
export { CohortPhoto } from './CohortPhoto';
export { PhotosScreen } from './PhotosScreen';
export { PhotosPart } from './PhotosPart';
export { Thumb } from './Thumb';
