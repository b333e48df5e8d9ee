/** How fast salinity may be moved. */
export const SALINITY_NOTE =
  'With animals in, by 1 ppt a day either way, with fish alone down by 2. What changed within a day goes back sooner: see Emergency.';
