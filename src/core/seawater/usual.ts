/** The water of a reef where nobody measured it: pH, °C, ppt. */
export const USUAL_WATER = { ph: 8.1, temperature: 25.5, salinity: 35 };
