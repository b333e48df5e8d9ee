// Stands in for Zod's index of some forty locales in the browser bundle (see metro.config.js).
export { default as en } from '../../node_modules/zod/v4/locales/en.js';
