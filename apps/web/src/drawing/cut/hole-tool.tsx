import { CHAMFER_OFF_TIP, type HoleOperation, type OperationContext } from '@burl/core';

/** Where the tool stands in the drawing: centre line, half width, top, bottom and how long its point is. */
export interface ToolPlace {
  readonly cx: number;
  readonly half: number;
  readonly noseY: number;
  readonly bottomY: number;
  readonly pointY: number;
}

/** The tool of a step in the section, drawn by what it is: point, flutes, teeth or nose. */
export function HoleTool({
  op,
  context,
  place,
  scale,
}: {
  op: HoleOperation;
  context: OperationContext;
  place: ToolPlace;
  /** Drawing units for a millimetre. */
  scale: number;
}) {
  const { cx, half, noseY, bottomY, pointY } = place;
  const line = { fill: 'var(--tool)', stroke: 'var(--accent)', strokeWidth: 1.6 };
  const p = context.cutter.properties;
  switch (op.kind) {
    case 'drilling':
      return (
        <g>
          <path
            d={`M${cx - half} ${noseY} H${cx + half} V${bottomY} L${cx} ${pointY} L${cx - half} ${bottomY} Z`}
            {...line}
          />
          <Flutes cx={cx} half={half} from={noseY} to={bottomY} />
        </g>
      );
    case 'reaming':
    case 'tapping': {
      const teeth = op.kind === 'tapping' ? Math.max(3, op.thread.pitchMm * scale) : 0;
      const lead = op.kind === 'tapping' ? 2.5 * teeth : 0.3 * half;
      return (
        <g>
          <path
            d={`M${cx - half} ${noseY} H${cx + half} V${bottomY - lead} L${cx + 0.8 * half} ${bottomY} H${cx - 0.8 * half} L${cx - half} ${bottomY - lead} Z`}
            {...line}
          />
          {op.kind === 'tapping' ? (
            <Teeth
              cx={cx}
              half={half}
              from={Math.max(noseY, bottomY - 16 * teeth)}
              to={bottomY}
              step={teeth}
            />
          ) : (
            [-0.5, 0, 0.5].map((x) => (
              <line
                key={x}
                x1={cx + x * half}
                x2={cx + x * half}
                y1={noseY}
                y2={bottomY}
                stroke="var(--accent)"
                opacity="0.6"
              />
            ))
          )}
        </g>
      );
    }
    case 'boring': {
      const bar = Math.max(4, ((p.DCONMS ?? 10) / 2) * scale);
      return (
        <g>
          <rect x={cx - bar} y={noseY} width={2 * bar} height={Math.max(1, bottomY - noseY)} {...line} />
          <path
            d={`M${cx + bar} ${bottomY - 8} L${cx + half} ${bottomY - 5} L${cx + bar} ${bottomY} Z`}
            fill="var(--accent)"
          />
        </g>
      );
    }
    case 'chamfering': {
      const wide = Math.max(6, ((p.DCX ?? p.DC ?? 10) / 2) * scale);
      const tip = Math.max(2, ((p.DC ?? 2) / 2) * scale);
      // The flank lies on the rim: the tip stands clear of the wall by as much as it goes below.
      const left = cx - half + tip + CHAMFER_OFF_TIP * scale;
      // A flank that reaches into the holder is drawn as far as the holder's nose.
      const top = Math.max(noseY, bottomY - (wide - tip));
      const reach = tip + bottomY - top;
      return (
        <path
          d={`M${left - reach} ${noseY} H${left + reach} V${top} L${left + tip} ${bottomY} H${left - tip} L${left - reach} ${top} Z`}
          {...line}
        />
      );
    }
    default: {
      // Mills stand against the wall they cut.
      const tool = Math.max(3, ((p.DC ?? 5) / 2) * scale);
      const at = cx + half - tool;
      const rows = op.kind === 'thread-milling' ? Math.max(3, op.thread.pitchMm * scale) : 0;
      const toothed = Math.min(bottomY - noseY, (p.APMX ?? 10) * scale);
      return (
        <g>
          <rect x={at - tool} y={noseY} width={2 * tool} height={Math.max(1, bottomY - noseY)} {...line} />
          {rows > 0 ? (
            <Teeth cx={at} half={tool} from={bottomY - toothed} to={bottomY} step={rows} />
          ) : (
            <Flutes cx={at} half={tool} from={bottomY - toothed} to={bottomY} />
          )}
        </g>
      );
    }
  }
}

/** Helix lines of a fluted body. */
function Flutes({ cx, half, from, to }: { cx: number; half: number; from: number; to: number }) {
  const count = Math.min(7, Math.max(0, Math.floor((to - from) / (half * 2.6))));
  return (
    <>
      {Array.from({ length: count }, (_, i) => {
        const y = to - i * half * 2.6;
        return (
          <path
            key={i}
            d={`M${cx - half} ${y} Q${cx} ${y - half * 0.6} ${cx + half} ${y - half * 1.6}`}
            fill="none"
            stroke="var(--accent)"
            opacity="0.7"
          />
        );
      })}
    </>
  );
}

/** Rows of thread teeth. */
function Teeth({
  cx,
  half,
  from,
  to,
  step,
}: {
  cx: number;
  half: number;
  from: number;
  to: number;
  step: number;
}) {
  const count = Math.max(0, Math.floor((to - from) / step));
  return (
    <>
      {Array.from({ length: count }, (_, i) => (
        <line
          key={i}
          x1={cx - half - 1.5}
          x2={cx + half + 1.5}
          y1={to - i * step}
          y2={to - i * step - 0.4 * step}
          stroke="var(--accent)"
          strokeWidth="1.2"
        />
      ))}
    </>
  );
}
