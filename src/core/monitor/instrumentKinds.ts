/** What can be connected. Apart from the interface, which only who speaks it fetches. */
export const INSTRUMENT_KINDS = ['monitor', 'pen', 'colorimeter', 'counter'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** How an instrument is named in addresses. */
export const INSTRUMENT_NAME = /^[a-z0-9][a-z0-9-]{0,39}$/;
