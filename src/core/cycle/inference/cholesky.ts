/**
 * Lower triangle L of a covariance matrix, L·Lᵀ = C, in place over `matrix` (row by row, n × n). A
 * little is added where rounding would make a pivot vanish.
 */
export function choleskyInPlace(matrix: Float64Array, n: number): void {
  for (let j = 0; j < n; j += 1) {
    for (let i = j; i < n; i += 1) {
      let sum = matrix[i * n + j] as number;
      for (let k = 0; k < j; k += 1) {
        sum -= (matrix[i * n + k] as number) * (matrix[j * n + k] as number);
      }
      if (i === j) matrix[i * n + j] = Math.sqrt(Math.max(sum, 1e-8));
      else matrix[i * n + j] = sum / (matrix[j * n + j] as number);
    }
    for (let k = j + 1; k < n; k += 1) matrix[j * n + k] = 0;
  }
}

/** Where points lie: their mean, and their covariance or its factor, n × n. */
export interface Shape {
  mean: Float64Array;
  factor: Float64Array;
}

/**
 * Mean and covariance of `count` points of `n` numbers each. Few points show ties between numbers
 * that there are none of: those are drawn towards nothing by a share that falls with their count.
 */
export function shapeOf(points: Float64Array, count: number, n: number): Shape {
  const ties = 1 - n / (n + count);
  const mean = new Float64Array(n);
  for (let p = 0; p < count; p += 1) {
    for (let i = 0; i < n; i += 1) mean[i] = (mean[i] as number) + (points[p * n + i] as number);
  }
  for (let i = 0; i < n; i += 1) mean[i] = (mean[i] as number) / count;
  const matrix = new Float64Array(n * n);
  for (let p = 0; p < count; p += 1) {
    for (let i = 0; i < n; i += 1) {
      const a = (points[p * n + i] as number) - (mean[i] as number);
      for (let j = 0; j <= i; j += 1) {
        const b = (points[p * n + j] as number) - (mean[j] as number);
        matrix[i * n + j] = (matrix[i * n + j] as number) + a * b;
      }
    }
  }
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      const value =
        i === j
          ? (matrix[i * n + j] as number) / (count - 1) + 1e-3
          : (ties * (matrix[i * n + j] as number)) / (count - 1);
      matrix[i * n + j] = value;
      matrix[j * n + i] = value;
    }
  }
  return { mean, factor: matrix };
}
