/** How many of a thing, in words: "1 slot", "2 slots", "2.4 slots". `one` is a word that takes an s. */
export const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
