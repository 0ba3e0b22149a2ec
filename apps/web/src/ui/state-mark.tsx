import { type LimitState, STATE_WORDS } from '@burl/core';

export const STATE_COLOUR: Readonly<Record<LimitState, string>> = {
  clear: 'text-clear',
  tight: 'text-tight',
  over: 'text-over',
  unproven: 'text-unproven',
};

/** State by shape; colour and, beside it, the word say the same. */
export function StateMark({ state, size = 14 }: { state: LimitState; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      aria-hidden="true"
      className={`shrink-0 ${STATE_COLOUR[state]}`}
    >
      {state === 'clear' && (
        <circle cx="8" cy="8" r="5.5" fill="none" stroke="currentColor" strokeWidth="2.2" />
      )}
      {state === 'tight' && (
        <>
          <path d="M8 2 15 14H1Z" fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
          <path d="M8 9 11.500 14H4.500Z" fill="currentColor" />
        </>
      )}
      {state === 'over' && <path d="M8 .5 15.500 8 8 15.500.500 8Z" fill="currentColor" />}
      {state === 'unproven' && (
        <rect
          x="2.500"
          y="2.500"
          width="11"
          height="11"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray="3 2.500"
        />
      )}
    </svg>
  );
}

export function StateWord({ state }: { state: LimitState }) {
  return (
    <span className={`inline-flex items-center gap-1 font-semibold whitespace-nowrap ${STATE_COLOUR[state]}`}>
      <StateMark state={state} />
      {STATE_WORDS[state]}
    </span>
  );
}
