/**
 * Density of sea water at one atmosphere, kg/m³.
 *
 * UNESCO equation of state EOS-80 (Millero & Poisson 1981; UNESCO Technical Paper 44, 1983).
 * @param salinity practical salinity, 0 to 42
 * @param temperature °C, −2 to 40. EOS-80 is written for the 1968 scale; at 25 °C the two scales
 *   differ by 0.006 °C, 0.002 kg/m³, which no hobby instrument resolves.
 */
export function density(salinity: number, temperature: number): number {
  const S = salinity;
  const t = temperature;
  const pure =
    999.842594 +
    t *
      (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
  const a = 8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
  const c = 4.8314e-4;
  return pure + a * S + b * S * Math.sqrt(Math.max(S, 0)) + c * S * S;
}
