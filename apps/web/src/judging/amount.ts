/** An amount of money with its currency: “109 EUR”, with cents where it is small. */
export function amount(value: number, currency: string): string {
  const digits = Math.abs(value) < 100 ? 2 : 0;
  const number = value.toLocaleString('en-GB', {
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  });
  return `${number}\u00a0${currency}`;
}

/** Minutes as a shop says them: minutes up to two hours, then hours and minutes. */
export function duration(minutes: number): string {
  if (minutes < 100) return `${minutes.toFixed(minutes < 10 ? 1 : 0)}\u00a0min`;
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return rest === 0 || hours >= 24
    ? `${Math.round(minutes / 60)}\u00a0h`
    : `${hours}\u00a0h ${rest}\u00a0min`;
}
