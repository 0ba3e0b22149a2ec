/** A line as it stands in the file, with what ends it: written back, the text is the same byte for byte. */
export interface FileLine {
  readonly text: string;
  readonly end: string;
}

export function linesWithEnds(text: string): FileLine[] {
  const lines: FileLine[] = [];
  const pattern = /([^\r\n]*)(\r\n|\n|\r|$)/g;
  for (const [whole, line, end] of text.matchAll(pattern)) {
    if (whole === '') break;
    lines.push({ text: line!, end: end! });
  }
  return lines;
}

export const joined = (lines: readonly FileLine[]): string => lines.map((l) => l.text + l.end).join('');
