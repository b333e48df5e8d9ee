/** Molar masses in g/mol (IUPAC abridged atomic weights), used to change the basis of a concentration. */
export const MOLAR_MASS = {
  N: 14.007,
  NH3: 17.031,
  NH4: 18.039,
  NO2: 46.005,
  NO3: 62.004,
  NH4Cl: 53.491,
} as const;

/** Grams of nitrate that hold one gram of nitrogen. */
export const NO3_PER_N = MOLAR_MASS.NO3 / MOLAR_MASS.N;
/** The salinity that yields and minerals are stated and compared at, ppt. */
export const FULL_SALINITY = 35;
/** Grams of salt mix in a litre at full salinity, until a keeper's own is known: mixes hold some water. */
export const SALT_YIELD = 38;
/** Litres in one US liquid gallon. */
export const LITRES_PER_GALLON = 3.785412;
/** meq/L in one German degree of carbonate hardness. */
export const MEQ_PER_DKH = 0.35663;
/** Grams of baking soda (NaHCO3, 84.01 g/eq) in a litre that raise alkalinity by 1 dKH. */
export const BICARBONATE = 0.03;
/** dKH used by each mg N/L that is oxidised from ammonium: two equivalents to a mole, 2 / 14.007 / 0.35663. */
export const ALKALINITY_PER_N = 0.4;
/** mg/L CaCO3 in one German degree of carbonate hardness. */
export const CACO3_PER_DKH = 17.848;
/** Grams of phosphate (PO4) that hold one gram of phosphorus. */
export const PO4_PER_P = 3.066;
/** Volume of one drop in mL until the keeper has counted the drops of a bottle. */
export const DEFAULT_DROP_ML = 0.05;
