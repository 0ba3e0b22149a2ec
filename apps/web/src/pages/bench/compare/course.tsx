import { formatMeasure, type StrategyLayout, type Stretch } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';

const W = 220;
const H = 46;
const FILL: Readonly<Record<Stretch['what'], string>> = {
  entry: 'var(--tight)',
  straight: 'var(--accent)',
  corner: 'var(--series-3)',
  air: 'var(--line)',
};
const WORDS: Readonly<Record<Stretch['what'], string>> = {
  entry: 'entry',
  straight: 'straight',
  corner: 'corners',
  air: 'in the air',
};

/** Side force over the minutes of one feature, stretch by stretch; all columns share one scale. */
export function Course({ row, all }: { row: StrategyLayout; all: readonly StrategyLayout[] }) {
  const system = useSystem();
  const longest = Math.max(...all.map((r) => r.minutes.total), row.minutes.total);
  const strongest = Math.max(...all.map((r) => r.peakForceN), row.peakForceN);
  const stretches = row.course.filter((s) => s.minutes > 0);
  const starts = stretches.map((_, i) => stretches.slice(0, i).reduce((sum, s) => sum + s.minutes, 0));
  const said = stretches
    .map(
      (s) =>
        `${WORDS[s.what]} ${formatMeasure(s.minutes, 'min', system)}${s.sideForceN > 0 ? ` at ${formatMeasure(s.sideForceN, 'N', system)}` : ''}`,
    )
    .join(', ');
  return (
    <figure>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label={said}
        className="h-12 w-full"
        preserveAspectRatio="none"
      >
        <line x1="0" x2={W} y1={H - 0.5} y2={H - 0.5} stroke="var(--line)" />
        {stretches.map((s, i) => {
          const height = s.sideForceN > 0 ? (H * s.sideForceN) / strongest : 3;
          return (
            <rect
              key={s.what}
              x={(W * starts[i]!) / longest}
              y={H - height}
              width={Math.max(1, (W * s.minutes) / longest)}
              height={height}
              fill={FILL[s.what]}
            />
          );
        })}
      </svg>
      <figcaption className="text-[12px] text-soft">{said}</figcaption>
    </figure>
  );
}
