import { type Dialect, numberText } from './dialect.ts';

/** Where to go; an axis left out stays. mm. */
export interface Goal {
  readonly x?: number;
  readonly y?: number;
  readonly z?: number;
}

/** Writes a program line by line; every move goes through here, so that a dialect is a matter of this file. Lengths in mm, feeds in mm/min. */
export interface Writer {
  comment(text: string): void;
  raw(text: string): void;
  rapid(to: Goal): void;
  line(to: Goal, feed: number): void;
  /** Arc in XY, with a rise where `z` is given; a whole turn where it ends where it begins. */
  arc(
    clockwise: boolean,
    to: Goal & { readonly x: number; readonly y: number },
    centre: readonly [number, number],
    feed: number,
  ): void;
  readonly at: () => readonly [number, number, number];
  text(): string;
}

export function makeWriter(dialect: Dialect): Writer {
  const lines: string[] = [];
  let [x, y, z] = [NaN, NaN, NaN];
  let feed = NaN;
  let numbered = 0;
  const number = (mm: number): string => numberText(dialect, mm);
  const put = (words: readonly string[]): void => {
    const filled = words.filter((w) => w !== '');
    if (filled.length === 0) return;
    if (dialect.lineNumbers) numbered += 10;
    lines.push([...(dialect.lineNumbers ? [`N${numbered}`] : []), ...filled].join(' '));
  };
  const axis = (letter: string, to: number | undefined, from: number): string =>
    to === undefined || number(to) === number(from) ? '' : `${letter}${number(to)}`;
  const feedWord = (wanted: number): string => {
    const shown = feedText(dialect, wanted);
    if (shown === feedText(dialect, feed)) return '';
    feed = wanted;
    return `F${shown}`;
  };
  const arrive = (to: Goal): void => {
    [x, y, z] = [to.x ?? x, to.y ?? y, to.z ?? z];
  };
  const words = (to: Goal): string[] => [axis('X', to.x, x), axis('Y', to.y, y), axis('Z', to.z, z)];

  function piece(
    clockwise: boolean,
    to: Goal & { x: number; y: number },
    centre: readonly [number, number],
    at: number,
  ): void {
    const code = clockwise ? 'G2' : 'G3';
    const way =
      dialect.arcs === 'radius'
        ? [`R${number(Math.hypot(x - centre[0], y - centre[1]))}`]
        : [`I${number(centre[0] - x)}`, `J${number(centre[1] - y)}`];
    put([code, `X${number(to.x)}`, `Y${number(to.y)}`, axis('Z', to.z, z), ...way, feedWord(at)]);
    arrive(to);
  }

  /** Stops that cut an arc into quarters: near a half turn a rounded R says no centre. */
  function quarters(
    clockwise: boolean,
    to: Goal & { x: number; y: number },
    centre: readonly [number, number],
  ): (Goal & { x: number; y: number })[] {
    const [from, height] = [Math.atan2(y - centre[1], x - centre[0]), z];
    const turn = clockwise ? -1 : 1;
    let sweep = (Math.atan2(to.y - centre[1], to.x - centre[0]) - from) * turn;
    while (sweep <= 1e-9) sweep += 2 * Math.PI;
    const count = Math.ceil(sweep / (Math.PI / 2) - 1e-9);
    const radius = Math.hypot(x - centre[0], y - centre[1]);
    return Array.from({ length: count - 1 }, (_, k) => {
      const share = (k + 1) / count;
      const angle = from + turn * sweep * share;
      return {
        x: centre[0] + radius * Math.cos(angle),
        y: centre[1] + radius * Math.sin(angle),
        ...(to.z !== undefined && { z: height + share * (to.z - height) }),
      };
    });
  }

  return {
    comment: (text) => lines.push(`(${text.toUpperCase().replace(/[()]/g, ' ')})`),
    raw: (text) => put([text]),
    rapid(to) {
      const going = words(to);
      if (going.some((w) => w !== '')) put(['G0', ...going]);
      arrive(to);
    },
    line(to, at) {
      const going = words(to);
      if (going.some((w) => w !== '')) put(['G1', ...going, feedWord(at)]);
      arrive(to);
    },
    arc(clockwise, to, centre, at) {
      if (dialect.arcs === 'radius')
        for (const stop of quarters(clockwise, to, centre)) piece(clockwise, stop, centre, at);
      piece(clockwise, to, centre, at);
    },
    at: () => [x, y, z],
    text: () => `${lines.join('\n')}\n`,
  };
}

/** Feed as written: whole mm/min from 100, a digit more below; in inch one more. */
export function feedText(dialect: Dialect, mmMin: number): string {
  if (!Number.isFinite(mmMin)) return '';
  return numberText(
    { ...dialect, units: 'mm' },
    dialect.units === 'inch' ? mmMin / 25.4 : mmMin,
    dialect.units === 'inch' ? 2 : mmMin < 100 ? 1 : 0,
  );
}
