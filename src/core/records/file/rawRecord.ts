/** A record as it lies in a file or a block, before anything is known to be right about it. */
export type RawRecord = Record<string, unknown>;
