/**
 * Power of ten a value's first figure stands for: 0.05 → −2, 35 → 1; noise past nine figures is no figure.
 * Of its digits and not of a logarithm, which browsers may round apart. Zero has none: 0.
 */
export function magnitude(value: number): number {
  return Number(value.toExponential(8).split('e')[1]);
}
