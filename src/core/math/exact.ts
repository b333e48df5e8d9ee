/**
 * Functions that come to the same bits wherever they run. Browsers and Node may differ in the last digit of
 * `Math.exp` and its kin, which no standard bounds; only + − × ÷ and the square root are rounded alike
 * everywhere (IEEE 754). What must be the same on two devices is therefore told by these, and by no other.
 */

const { floor, round, sqrt } = Math;

/** ln 2 in two parts: the first has few enough bits that its multiples are exact (Cody and Waite). */
const LN2_HIGH = 0.69314718036912381649;
const LN2_LOW = 1.90821492927058770002e-10;
const LN2 = LN2_HIGH + LN2_LOW;
const LEAST_POWER = -1074;

/** Powers of two from the least that there is, each twice the one before, which is exact. */
const POWERS = powersOfTwo();

function powersOfTwo(): Float64Array {
  const powers = new Float64Array(1024 - LEAST_POWER);
  powers[-LEAST_POWER] = 1;
  for (let n = 1; n < 1024; n += 1)
    powers[n - LEAST_POWER] = 2 * (powers[n - 1 - LEAST_POWER] as number);
  for (let n = -1; n >= LEAST_POWER; n -= 1) {
    powers[n - LEAST_POWER] = (powers[n + 1 - LEAST_POWER] as number) / 2;
  }
  return powers;
}

/** 1/n! up to where the next is lost beside them for |x| ≤ ln 2 / 2. */
const EXP_TERMS = [1, 1, 1 / 2, 1 / 6, 1 / 24, 1 / 120, 1 / 720, 1 / 5040, 1 / 40320, 1 / 362880]
  .concat([1 / 3628800, 1 / 39916800, 1 / 479001600, 1 / 6227020800])
  .reverse();

/** e to the power of x, within 3 units in the last place of the true value; 0 and Infinity beyond what a number holds. */
export function exactExp(x: number): number {
  if (x !== x) return NaN;
  if (x > 709.78) return Infinity;
  if (x < -745.13) return 0;
  const n = round(x / LN2);
  const r = x - n * LN2_HIGH - n * LN2_LOW;
  let sum = 0;
  for (let k = 0; k < EXP_TERMS.length; k += 1) sum = sum * r + (EXP_TERMS[k] as number);
  // By halves, since 2 to the power of 1024 is no number.
  const half = floor(n / 2);
  return sum * (POWERS[half - LEAST_POWER] as number) * (POWERS[n - half - LEAST_POWER] as number);
}

const view = new DataView(new ArrayBuffer(8));

/** 1/(2k+1) for atanh, of |s| ≤ 0.172. */
const LOG_TERMS = Array.from({ length: 12 }, (_, k) => 1 / (2 * k + 1)).reverse();

/** The natural logarithm of x, within 4 units in the last place; NaN of a negative number, −Infinity of 0. */
export function exactLog(x: number): number {
  if (!(x >= 0)) return NaN;
  if (x === 0) return -Infinity;
  if (x === Infinity) return Infinity;
  // A number too small for its leading bit is first made larger by a power of two.
  const scaled = x < 2.2250738585072014e-308;
  view.setFloat64(0, scaled ? x * 18014398509481984 : x);
  const high = view.getUint32(0);
  let power = ((high >>> 20) & 2047) - 1023 - (scaled ? 54 : 0);
  view.setUint32(0, (high & 0xfffff) | 0x3ff00000);
  let m = view.getFloat64(0);
  if (m > 1.4142135623730951) {
    m /= 2;
    power += 1;
  }
  const s = (m - 1) / (m + 1);
  const square = s * s;
  let sum = 0;
  for (let k = 0; k < LOG_TERMS.length; k += 1) sum = sum * square + (LOG_TERMS[k] as number);
  return power * LN2_HIGH + (2 * s * sum + power * LN2_LOW);
}

/** A positive base to a power, by exp and log: relative error at most 1e-14 while |power · ln base| is under 20. */
export function exactPower(base: number, power: number): number {
  return exactExp(power * exactLog(base));
}

const TURN = 6.283185307179586;
/** Terms of the sine up to where the next is lost for an eighth of a turn or less, and of the cosine. */
const SIN_TERMS = [
  1,
  -1 / 6,
  1 / 120,
  -1 / 5040,
  1 / 362880,
  -1 / 39916800,
  1 / 6227020800,
  -1 / 1307674368000,
].reverse();
const COS_TERMS = [
  1,
  -1 / 2,
  1 / 24,
  -1 / 720,
  1 / 40320,
  -1 / 3628800,
  1 / 479001600,
  -1 / 87178291200,
].reverse();

function polynomial(terms: readonly number[], x: number): number {
  let sum = 0;
  for (let k = 0; k < terms.length; k += 1) sum = sum * x + (terms[k] as number);
  return sum;
}

/** The sine of an angle in whole turns: of 0.25 it is 1. Error at most 3e-16. */
export function sineOfTurns(turns: number): number {
  const part = turns - floor(turns);
  const eighth = floor(8 * part);
  // Folded to an eighth of a turn on either side of a quarter's beginning.
  const quarter = floor((eighth + 1) / 2);
  const angle = (part - quarter / 4) * TURN;
  const square = angle * angle;
  switch (quarter % 4) {
    case 0:
      return angle * polynomial(SIN_TERMS, square);
    case 1:
      return polynomial(COS_TERMS, square);
    case 2:
      return -angle * polynomial(SIN_TERMS, square);
    default:
      return -polynomial(COS_TERMS, square);
  }
}

/** A standard normal number of two even ones between 0 and 1, by Box and Muller. */
export function exactNormal(even: number, turns: number): number {
  return sqrt(-2 * exactLog(1 - even)) * sineOfTurns(turns);
}
