/** What of a cut can be typed, dragged and pinned, of any kind. */
export type Parameter = 'n' | 'vc' | 'fz' | 'fn' | 'vf' | 'hex' | 'ap' | 'ae' | 'Q' | 'pitch';

/** Of a tool that goes down its axis. */
export const AXIAL = ['n', 'vc', 'fn', 'vf'] as const satisfies readonly Parameter[];
/** Of a mill that runs round a hole. */
export const ROUND = ['n', 'vc', 'fz', 'vf'] as const satisfies readonly Parameter[];
