import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  main: 'bg-accent text-on-accent border-accent hover:opacity-90',
  plain: 'bg-card text-ink border-line hover:bg-accent-soft',
  quiet: 'bg-transparent text-ink border-transparent hover:bg-accent-soft',
  danger: 'bg-card text-over border-over hover:bg-accent-soft',
} as const;

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-8 items-center justify-center gap-1.5 rounded-md border px-3 py-1 font-semibold whitespace-nowrap disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
