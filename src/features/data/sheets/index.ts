// Spreadsheets in and out in one piece, fetched when the first of them is asked for.
export { SheetsPart } from './SheetsPart';
export { SpreadsheetScreen } from './SpreadsheetScreen';
export { SlipScreen } from './SlipScreen';
