/** Where a test stands in its sheet: "row 3, Nitrate". */
export const placeWords = (row: string, column: string): string =>
  column === '' ? row : `${row}, ${column}`;
