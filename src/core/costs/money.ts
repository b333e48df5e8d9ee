import { formatPlain } from '../units/format';

/** "€ 48.50"; the bare figure where no currency was named. */
export function moneyWords(amount: number, currency: string | undefined): string {
  const figure = formatPlain(amount, amount < 100 && !Number.isInteger(amount) ? 2 : 0);
  return currency ? `${currency} ${figure}` : figure;
}
