import { exactExp, exactLog } from '../../math/exact';

/** mg of oxygen in a µmol, and kg of sea water in a litre. */
const MG = 0.0319988;
const DENSITY = 1.0233;

/**
 * Oxygen of sea water in balance with the air, mg/L. García and Gordon (1992), Limnol. Oceanogr. 37, 1307, the
 * coefficients for µmol/kg; 0 to 40 °C, salinity 0 to 42. Its check value: 206.3 µmol/kg at 25 °C and 35.
 */
export function oxygenAtBalance(temperature: number, salinity: number): number {
  const t = exactLog((298.15 - temperature) / (273.15 + temperature));
  const fresh =
    5.80871 + t * (3.20291 + t * (4.17887 + t * (5.10006 + t * (-0.0986643 + t * 3.80369))));
  const salt = -0.00701577 + t * (-0.00770028 + t * (-0.0113864 + t * -0.00951519));
  return MG * DENSITY * exactExp(fresh + salinity * (salt - 2.75915e-7 * salinity));
}
