import { endOutline, type OperationContext } from '@burl/core';

/** Small true-to-scale outline of cutter in holder, lying down. */
export function ToolOutline({ context, stickOutMm }: { context: OperationContext; stickOutMm: number }) {
  const p = context.cutter.properties;
  const body = Math.min(60, context.holder.gauge_length_mm);
  const width = body + stickOutMm;
  const scale = Math.min(190 / width, 40 / context.holder.body_diameter_mm);
  const flute = Math.min(stickOutMm, p.LCF ?? p.APMX ?? stickOutMm) * scale;
  const out = stickOutMm * scale;
  const shank = Math.min(p.DCONMS ?? p.DC ?? 10, Math.max(p.DC ?? 10, p.DCONMS ?? 0)) * scale;
  const nose = context.holder.nose_diameter_mm * scale;
  const block = context.holder.body_diameter_mm * scale;
  // Lying down: its tip at the right.
  const tip = body * scale + out;
  const half = endOutline(context.cutter, flute / scale).map(
    (q) => [tip - q.heightMm * scale, q.radiusMm * scale] as const,
  );
  const side = (sign: 1 | -1): string[] => half.map(([x, r]) => `${x.toFixed(2)} ${(sign * r).toFixed(2)}`);
  const end = `M${side(-1).join(' L')} L${side(1).toReversed().join(' L')} Z`;
  return (
    <svg viewBox="0 0 196 46" className="my-1 h-11 w-full" aria-hidden="true">
      <g transform="translate(2 23)">
        <path
          d={`M0 ${-block / 2} H${body * scale * 0.7} L${body * scale} ${-nose / 2} V${nose / 2} L${body * scale * 0.7} ${block / 2} H0 Z`}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
        <rect
          x={body * scale}
          y={-shank / 2}
          width={Math.max(0, out - flute)}
          height={shank}
          fill="var(--tool)"
          stroke="var(--accent)"
        />
        <path
          d={end}
          fill="var(--tool)"
          stroke="var(--accent)"
          strokeWidth="1.5"
          data-end={context.cutter.type}
        />
      </g>
    </svg>
  );
}
