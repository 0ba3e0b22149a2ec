/** A count that is known to two digits. */
export const about = (n: number): string => (n < 10 ? n.toPrecision(2) : Math.round(n).toString());
