/** A limit told apart by pattern and colour: hatching turned, dots, crosses. */
const LOOKS = [
  { colour: 'var(--series-2)', turn: 45, kind: 'line' },
  { colour: 'var(--series-3)', turn: -45, kind: 'line' },
  { colour: 'var(--series-5)', turn: 0, kind: 'dot' },
  { colour: 'var(--series-4)', turn: 90, kind: 'line' },
  { colour: 'var(--series-6)', turn: 0, kind: 'line' },
  { colour: 'var(--unproven)', turn: 0, kind: 'cross' },
  { colour: 'var(--series-1)', turn: 20, kind: 'line' },
  { colour: 'var(--over)', turn: 45, kind: 'dot' },
] as const;

type Look = Readonly<{ colour: string; turn: number; kind: 'line' | 'dot' | 'cross' }>;

/** Where some limit is exceeded, whichever. */
export const FORBIDDEN: Look = { colour: 'var(--over)', turn: 45, kind: 'line' };

/** The look of the `i`th limit of a map. */
export const lookOf = (i: number): Look => LOOKS[i % LOOKS.length]!;

export function LimitPattern({ id, look }: { id: string; look: Look }) {
  return (
    <pattern
      id={id}
      width="9"
      height="9"
      patternUnits="userSpaceOnUse"
      patternTransform={`rotate(${look.turn})`}
    >
      <rect width="9" height="9" fill={look.colour} opacity="0.12" />
      {look.kind === 'line' && <path d="M0 0V9" stroke={look.colour} strokeWidth="1.3" />}
      {look.kind === 'dot' && <circle cx="4.5" cy="4.5" r="1.3" fill={look.colour} />}
      {look.kind === 'cross' && <path d="M2 4.5H7M4.5 2V7" stroke={look.colour} strokeWidth="1.1" />}
    </pattern>
  );
}
