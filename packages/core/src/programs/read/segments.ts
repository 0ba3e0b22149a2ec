/** A program within a file: from its O word to the next. Lines from 1, the last one included. */
export interface Segment {
  readonly name: string;
  readonly first: number;
  last: number;
  ends: boolean;
  /** Holds something that would be run. */
  filled: boolean;
}

const HEAD = /^\s*(?:N\s*\d+\s*)?[O:]\s*0*(\d+)/i;
const CODES = /M\s*0*(98|2|30)(?![\d.])/gi;
const withoutComments = (line: string): string =>
  /[(;]/.test(line) ? line.replace(/\([^)]*\)|;.*$/g, '') : line;

/** Programs of a file and whether one calls another: taken line by line, before the file is run. */
export interface SegmentList {
  take(line: string): void;
  readonly segments: readonly Segment[];
  readonly calls: () => boolean;
  /** The one that is run: the first that ends a program, else the first. */
  readonly main: () => Segment;
}

export function makeSegments(): SegmentList {
  const segments: Segment[] = [{ name: '', first: 1, last: 0, ends: false, filled: false }];
  let calls = false;
  let number = 0;
  let empty = true;
  return {
    segments,
    calls: () => calls,
    main: () => segments.find((s) => s.ends) ?? segments[0]!,
    take(line) {
      number++;
      const head = HEAD.exec(line);
      if (head && empty) {
        // What stands above the first O word belongs to it: a percent sign, a comment.
        segments[0] = { ...segments[0]!, name: head[1]! };
      } else if (head)
        segments.push({
          name: head[1]!,
          first: number,
          last: number,
          ends: false,

          filled: false,
        });
      const current = segments.at(-1)!;
      current.last = number;
      if (!head && !current.filled && /[A-Z]/i.test(withoutComments(line))) current.filled = true;
      const plain = line.includes('M') || line.includes('m') ? withoutComments(line) : '';
      if (empty && (head || /[A-Z]/i.test(withoutComments(line)))) empty = false;
      for (const [, code] of plain.matchAll(CODES)) {
        if (code === '98') calls = true;
        else current.ends = true;
      }
    },
  };
}
