import { formatMeasure, threadDepth, threadPasses, type ThreadTurningOperation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { Detail, detailAt } from './half-section.tsx';

const SIZE = { y: 8, width: 190, height: 134 } as const;
const ROOM = { width: 150, height: 62 } as const;

/** How far aside of the middle a pass stands, as a share of its flank: not at all, along one, or along both in turn. */
const ASIDE = {
  radial: () => 0,
  flank: () => 1,
  alternating: (i: number) => (i % 2 === 0 ? 1 : -1),
} as const;

/** The groove of a thread, larger, with the passes it is cut in. */
export function ThreadDetail({
  op,
  tipX,
}: {
  op: ThreadTurningOperation;
  /** Where the insert stands, px. */
  tipX: number;
}) {
  const frame = { ...SIZE, x: detailAt(tipX, SIZE.width) };
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { thread, cut } = op;
  const depth = threadDepth(op);
  const flat = thread.pitchMm / 8;
  const half = Math.tan((thread.flankDeg * Math.PI) / 360);
  const passes = threadPasses(depth, cut.passes, {
    angleDeg: thread.flankDeg,
    flatMm: flat,
    infeed: cut.infeed,
  });
  const scale = Math.min(ROOM.width / (flat + 2 * half * depth), ROOM.height / depth);
  const middle = frame.x + frame.width / 2;
  const top = frame.y + 32;
  /** Outline of the groove down to a depth, with its bottom aside of the middle. */
  const outline = (to: number, aside: number): string => {
    const [left, right] = [middle + (aside - flat / 2) * scale, middle + (aside + flat / 2) * scale];
    const spread = half * to * scale;
    return `M${(left - spread).toFixed(1)} ${top} L${left.toFixed(1)} ${(top + to * scale).toFixed(1)} H${right.toFixed(1)} L${(right + spread).toFixed(1)} ${top}`;
  };
  return (
    <Detail {...frame} title={`Passes, ${IN[cut.infeed]}`}>
      <g aria-hidden="true" fill="none">
        <path
          d={`M${frame.x + 8} ${top} H${frame.x + frame.width - 8}`}
          stroke="var(--soft)"
          strokeDasharray="3 3"
        />
        {passes.slice(0, -1).map((p, i) => (
          <path
            key={i}
            d={outline(
              p.toMm,
              ASIDE[cut.infeed](i) * half * (depth - p.toMm) * (cut.infeed === 'alternating' ? 0.5 : 1),
            )}
            stroke="var(--accent)"
            strokeWidth={1}
          />
        ))}
        <path d={outline(depth, 0)} stroke="var(--ink)" strokeWidth={1.6} />
      </g>
      <text
        x={middle}
        y={frame.y + frame.height - 10}
        textAnchor="middle"
        fontSize="calc(12px * var(--text, 1))"
        fill="var(--ink)"
        {...halo('card')}
      >
        {mm(passes.length > 1 ? Math.max(...passes.map((p) => p.addsMm)) : depth)} at most, last{' '}
        {formatMeasure(passes.at(-1)!.addsMm, 'mm-fine', system)}
      </text>
    </Detail>
  );
}
const IN = { radial: 'straight in', flank: 'along one flank', alternating: 'flanks in turn' } as const;
