import { InputError } from '../../../units/input-error.ts';

/** A row of numbers and the line of the file it stands in, counted from one. */
export interface NumberRow {
  readonly line: number;
  readonly numbers: readonly number[];
  /** An empty line, or the start of the file, stands before it. */
  readonly apart: boolean;
}

export interface NumberTable {
  /** Lines above the first row of numbers, as they are. */
  readonly heading: readonly string[];
  readonly rows: readonly NumberRow[];
  /** The columns of a line of text, parted like the numbers are. */
  readonly cellsOf: (line: string) => string[];
}

/**
 * Rows of numbers and the text above them. Columns are parted by comma, semicolon, tab or blanks; a comma is a decimal
 * sign where semicolons or tabs part the columns. Throws InputError naming the first line below the heading that has
 * fewer than `least` numbers in front, with `allowed` as what should stand there.
 */
export function readNumberTable(text: string, least: number, allowed: string): NumberTable {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const heading: string[] = [];
  const rows: NumberRow[] = [];
  const parted = lines.some((l) => /\d\s*[;\t]\s*[-+.\d]/.test(l));
  const decimalComma = parted && lines.some((l) => /\d,\d+\s*(?:e[-+]?\d+\s*)?([;\t]|$)/i.test(l));
  const cellsOf = (line: string): string[] =>
    line
      .trim()
      .split(decimalComma ? /[;\t]/ : /[,;\t]|\s+/)
      .map((c) => c.trim())
      .filter((c) => c !== '');
  let apart = true;
  lines.forEach((line, i) => {
    if (line.trim() === '') {
      apart = true;
      return;
    }
    const numbers = cellsOf(line).map((c) => Number(decimalComma ? c.replace(',', '.') : c));
    const [needed, row] = [numbers.slice(0, least), i + 1];
    if (needed.length === least && needed.every((n) => Number.isFinite(n))) {
      rows.push({ line: row, numbers, apart });
      apart = false;
    } else if (rows.length === 0) heading.push(line);
    else throw new InputError([{ field: `line ${row}`, value: line.slice(0, 60), allowed }]);
  });
  return { heading, rows, cellsOf };
}
