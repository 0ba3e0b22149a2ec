/** Numbers people say as words. */
const WORDS: Readonly<Record<string, string>> = {
  one: '1',
  single: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
  sixteen: '16',
  twenty: '20',
};

/** Fractions people say as words, of an inch. */
const FRACTIONS: Readonly<Record<string, string>> = {
  half: '1/2',
  quarter: '1/4',
  'three quarter': '3/4',
  'three eighths': '3/8',
  'five eighths': '5/8',
  'three sixteenths': '3/16',
};

/** What stands after a length: its `in` is an inch. */
const OF_A_LENGTH =
  /^(?:deep|depth|wide|width|step|radial|axial|dia|end|ball|bull|drill|face|mill|cutter|corner|radius|out|stick|overhang|per|an? (?:tooth|flute|rev)|down)/;

/** The value of `3/8`, `1 1/2`, `1-1/2`, to four digits. */
function fraction(_: string, whole: string | undefined, over: string, under: string): string {
  const value = Number(whole ?? 0) + Number(over) / Number(under);
  return Number(under) > 0 ? ` ${Number(value.toFixed(5))} ` : ' ';
}

/**
 * Text as the readers of numbers want it: lower case, words for numbers as figures, fractions as decimals of an inch, a decimal
 * comma as a point, commas between thousands gone, `4k` written out, inch signs as a word.
 */
export function plainText(said: string): string {
  let text = ` ${said.toLowerCase()} `.replace(/[″”“"]/g, ' inch ').replace(/[–—−]/g, '-');
  for (const [words, over] of Object.entries(FRACTIONS))
    text = text.replace(
      new RegExp(
        `\\b${words.replace(' ', '[ -]')}(?:s)?[ -]?(?:in\\b|inch(?:es)?\\b|(?=end|ball|drill|cutter|mill))`,
        'g',
      ),
      `${over} inch `,
    );
  for (const [word, figure] of Object.entries(WORDS))
    text = text.replace(new RegExp(`\\b${word}\\b`, 'g'), figure);
  return (
    text
      .replace(/(\d),(\d{3})(?![\d])(?=[^.,\d]|$)/g, (all, a: string, b: string) =>
        a === '0' ? `${a}.${b}` : `${a}${b}`,
      )
      .replace(/(\d),(\d)/g, '$1.$2')
      // A fraction without its unit is one of an inch.
      .replace(
        /(?:\b(\d)[ -])?\b(\d{1,2})\/(2|4|8|16|32|64)\b(?!\s*in)/g,
        (...g) =>
          `${fraction(g[0] as string, g[1] as string | undefined, g[2] as string, g[3] as string)}in `,
      )
      .replace(/(?:\b(\d)[ -])?\b(\d{1,2})\/(2|4|8|16|32|64)\b/g, fraction)
      .replace(/(\d(?:\.\d+)?)\s?k\b/g, (_, n: string) => `${Math.round(Number(n) * 1000)}`)
      .replace(/(^|[\s=])\.(\d)/g, '$10.$2')
      // In front of what is cut, or of where, `in` is no inch.
      .replace(/ in (?=\d|the |an? |my |our |[a-z]{3,})/g, (all, at: number, whole: string) =>
        /\d $/.test(whole.slice(0, at + 1)) && OF_A_LENGTH.test(whole.slice(at + all.length))
          ? all
          : ' into ',
      )
      .replace(/\s+/g, ' ')
  );
}
