/** Text by the piece, in order; asked for again when a program is read more than once. */
export type Chunks = () => AsyncIterable<string> | Iterable<string>;

/** Takes text by the piece and hands on whole lines without their ends; `end` hands on the last. CR, LF and both end a line. */
export function makeLines(take: (line: string) => void): { add(chunk: string): void; end(): void } {
  let rest = '';
  let carriage = false;
  return {
    add(chunk) {
      // A pair CR LF may be cut in two.
      let from = carriage && chunk.startsWith('\n') ? 1 : 0;
      carriage = chunk.endsWith('\r');
      const text = rest === '' ? chunk : rest + chunk.slice(from);
      if (rest !== '') from = 0;
      const next = (sign: string): number => {
        const found = text.indexOf(sign, from);
        return found < 0 ? Infinity : found;
      };
      // Each end is looked for again only once it has been passed: a text without one is searched for it once.
      let [lf, cr] = [next('\n'), next('\r')];
      for (;;) {
        const at = Math.min(lf, cr);
        if (at === Infinity) break;
        take(text.slice(from, at));
        from = at + (at === cr && lf === at + 1 ? 2 : 1);
        if (lf < from) lf = next('\n');
        if (cr < from) cr = next('\r');
      }
      rest = text.slice(from);
    },
    end() {
      if (rest !== '') take(rest);
      rest = '';
    },
  };
}

/** Every line of a text, without its end. */
export function linesOf(text: string): string[] {
  const lines: string[] = [];
  const splitter = makeLines((line) => lines.push(line));
  splitter.add(text);
  splitter.end();
  return lines;
}
