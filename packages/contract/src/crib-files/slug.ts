/** Small letters, digits, dots and hyphens of a name, as ids are made of; `entry` where nothing is left. */
export const slugOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/×/g, 'x')
    .replace(/[^a-z0-9.]+/g, '-')
    .replace(/^[^a-z0-9]+|[-.]+$/g, '')
    .slice(0, 90) || 'entry';

/** The id a new entry of the shop gets by its name. */
export const ownId = (name: string): string => `shop-${slugOf(name)}`;
