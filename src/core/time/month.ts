/** The month so many after another, "2026-01" one after "2025-12"; before it where negative. @param month YYYY-MM */
export function shiftedMonth(month: string, by: number): string {
  const [year = 0, number = 1] = month.split('-').map(Number);
  const index = year * 12 + number - 1 + by;
  return `${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}`;
}
