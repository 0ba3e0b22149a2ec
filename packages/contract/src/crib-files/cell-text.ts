/** What a spreadsheet would run; blanks and line breaks before it, and full-width signs, do not hide it. */
const FORMULA = /^[\s\p{C}]*[=+\-@＝＋－＠]|^\s/u;

/** A cell a spreadsheet would take for a formula is made text. */
export const harmless = (cell: string): string => (FORMULA.test(cell) ? `'${cell}` : cell);

/** The apostrophe that keeps a cell from being a formula belongs to the file, not to the value. */
export const withoutApostrophe = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
