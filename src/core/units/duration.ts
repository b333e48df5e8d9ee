/** "45 min", "2 h", "1 h 40 min": how long something takes. @param minutes at least 0 */
export function spanOfMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** The same to the nearest five minutes: what is guessed is not told by the minute. */
export function aboutSpan(minutes: number): string {
  return spanOfMinutes(5 * Math.round(minutes / 5));
}
