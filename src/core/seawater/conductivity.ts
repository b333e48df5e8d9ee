import { rootOfIncreasing } from '../math/roots';

/** Conductivity of sea water of S 35 at 15 °C (1968 scale) and one atmosphere, mS/cm. */
const C_35_15 = 42.914;
const A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081] as const;
const B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144] as const;
const K = 0.0162;
/** ITS-90 to IPTS-68 (Saunders 1990). */
const T68_PER_T90 = 1.00024;

function ratioAt35(t68: number): number {
  return (
    0.6766097 + t68 * (2.00564e-2 + t68 * (1.104259e-4 + t68 * (-6.9698e-7 + t68 * 1.0031e-9)))
  );
}

function polynomial(coefficients: readonly number[], root: number): number {
  return coefficients.reduceRight((sum, coefficient) => sum * root + coefficient, 0);
}

/**
 * Practical salinity from conductivity at atmospheric pressure, PSS-78 (UNESCO Technical Paper 44).
 * @param conductivity mS/cm, as measured, not compensated
 * @param temperature °C on ITS-90
 */
export function salinityFromConductivity(conductivity: number, temperature: number): number {
  const t68 = temperature * T68_PER_T90;
  const Rt = conductivity / C_35_15 / ratioAt35(t68);
  if (Rt <= 0) return 0;
  const root = Math.sqrt(Rt);
  const dt = t68 - 15;
  return Math.max(0, polynomial(A, root) + (dt / (1 + K * dt)) * polynomial(B, root));
}

/** The inverse of salinityFromConductivity: mS/cm for a practical salinity 0 to 45 at °C (ITS-90). */
export function conductivityFromSalinity(salinity: number, temperature: number): number {
  if (salinity <= 0) return 0;
  return rootOfIncreasing((c) => salinityFromConductivity(c, temperature) - salinity, 0, 120);
}
