/** One of the answers to a question about a sheet. */
export interface Option {
  value: string;
  label: string;
}

/** What of a sheet cannot be told from the sheet, with its likely answer. */
export interface Question {
  /** What it is about: "order", "mark", "unit/NO3", "zero/NO3". */
  key: string;
  ask: string;
  options: readonly Option[];
  likely: string;
}
