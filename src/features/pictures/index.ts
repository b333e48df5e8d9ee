export { PictureSheet } from './PictureSheet';
