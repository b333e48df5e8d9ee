import { formatFixed } from '../units/format';

/** "€ 48.50"; the bare figure where no currency was named. */
export function moneyWords(amount: number, currency: string | undefined): string {
  const whole = Math.abs(amount) >= 100 || Number.isInteger(amount);
  const figure = formatFixed(amount, whole ? 0 : 2);
  return currency ? `${currency} ${figure}` : figure;
}
