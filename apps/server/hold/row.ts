/** One line of the table: what was asked of the server, and what it did. */
export interface Row {
  readonly what: string;
  readonly wanted: string;
  readonly measured: string;
  readonly met: boolean;
}

/** A figure that has to stay below another. */
export const below = (what: string, value: number, most: number, unit: string): Row => ({
  what,
  wanted: `< ${most} ${unit}`,
  measured: `${value < 10 ? value.toFixed(1) : Math.round(value)} ${unit}`,
  met: value < most,
});

/** A count of what must not happen. */
export const none = (what: string, found: readonly string[], of: string): Row => ({
  what,
  wanted: '0',
  measured: found.length === 0 ? `0 of ${of}` : `${found.length} of ${of}: ${found[0]!.slice(0, 160)}`,
  met: found.length === 0,
});

/** Value below which the share `p` of a list lies; 0 for an empty list. */
export function percentile(values: readonly number[], p: number): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(p * sorted.length) - 1)]!;
}

export function printRows(rows: readonly Row[]): void {
  console.log('\n| what | wanted | measured | met |\n| --- | --- | --- | --- |');
  for (const r of rows)
    console.log(`| ${r.what} | ${r.wanted} | ${r.measured} | ${r.met ? 'yes' : '**no**'} |`);
}
