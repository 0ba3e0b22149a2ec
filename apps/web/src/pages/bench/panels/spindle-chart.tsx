import {
  type Evaluation,
  formatMeasure,
  numberOf,
  type OperationContext,
  powerAt,
  toShown,
  torqueAt,
  UNITS,
} from '@burl/core';
import { useMemo, useRef, useState } from 'react';
import { type Curve, type Place, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';

const SAMPLES = 400;
/** Slowest speed the hand can drag to, and what it is rounded to, rpm. */
const STEP = 10;

/** Top of an axis: the curve's, or where the cut asks for more, the next step of a fifth, so that it seldom changes. */
function roomFor(curve: number, asked: number): number {
  return asked <= curve ? curve : curve * 1.2 ** Math.ceil(Math.log(asked / curve) / Math.log(1.2));
}

/** Speeds shown round the cut: an octave or two to either side, in whole octaves so that the picture seldom jumps. */
function zoomTo(rpm: number, most: number): readonly [low: number, high: number] {
  const high = Math.min(most, 2 ** Math.ceil(Math.log2(3 * rpm)));
  return [Math.min(2 ** Math.floor(Math.log2(rpm / 3)), high / 4), high];
}

/** A point of the working cut, apart from the chart so that dragging it does not draw the curves anew. */
function Mark({ x, y, look }: { x: number; y: number; look: string }) {
  return (
    <span
      className="pointer-events-none absolute top-0 left-0"
      style={{ transform: `translate(${x}px, ${y}px)` }}
    >
      <span className={`absolute -translate-x-1/2 -translate-y-1/2 ${look}`} />
    </span>
  );
}

/** Power and torque the spindle delivers at each speed. Drawn once: they are the machine's, and stay while the point is dragged. */
function useSpindleCurves({ machine }: OperationContext, rating: 's1' | 's6_40'): readonly Curve[] {
  const system = useSystem();
  return useMemo(() => {
    const { max_rpm: most, power_torque } = machine;
    const rpm = Array.from({ length: SAMPLES }, (_, i) => (most * (i + 1)) / SAMPLES);
    const curve = power_torque[rating];
    return [
      {
        label: `power, ${UNITS.kW[system].label}`,
        points: rpm.map((x) => ({ x, y: toShown(powerAt(curve, x), 'kW', system) })),
        colour: 'accent',
        fillTo: 'origin',
      },
      {
        label: `torque, ${UNITS.Nm[system].label}`,
        points: rpm.map((x) => ({ x, y: toShown(torqueAt(curve, x), 'Nm', system) })),
        colour: 'tight',
        dash: [6, 4],
        right: true,
      },
      { label: 'power of this cut', points: [], colour: 'accent', mark: 'circle', size: 8, inside: 'raised' },
      {
        label: 'torque of this cut',
        points: [],
        colour: 'tight',
        mark: 'rectRot',
        size: 5,
        inside: 'raised',
        right: true,
      },
    ];
  }, [machine, rating, system]);
}

/** Takes hold of the speed anywhere over the plot. */
function useSpeedDrag(place: Place | null, most: number, readOnly: boolean, onSpeed: (rpm: number) => void) {
  const dragging = useRef(false);
  const to = (e: React.PointerEvent<HTMLElement>): void => {
    const at = place?.valueAt(e.clientX - e.currentTarget.getBoundingClientRect().left);
    if (at !== undefined && Number.isFinite(at))
      onSpeed(Math.round(Math.min(most, Math.max(STEP, at)) / STEP) * STEP);
  };
  const end = () => (dragging.current = false);
  return {
    onPointerDown: (e: React.PointerEvent<HTMLElement>) => {
      if (readOnly) return;
      dragging.current = true;
      e.currentTarget.setPointerCapture(e.pointerId);
      to(e);
    },
    onPointerMove: (e: React.PointerEvent<HTMLElement>) => {
      if (dragging.current) to(e);
    },
    onPointerUp: end,
    onPointerCancel: end,
  };
}

/** Power and torque the spindle has at each speed, what this cut needs of it, and the working point to drag. */
export default function SpindleChart({
  evaluation,
  context,
  readOnly,
  onSpeed,
}: {
  evaluation: Evaluation;
  context: OperationContext;
  readOnly: boolean;
  onSpeed: (rpm: number) => void;
}) {
  const system = useSystem();
  const [place, setPlace] = useState<Place | null>(null);
  const n = numberOf(evaluation, 'n').value;
  const power = numberOf(evaluation, 'P').value;
  const torque = numberOf(evaluation, 'M').value;
  const { rating } = evaluation;
  const { machine } = context;
  const curves = useSpindleCurves(context, rating);
  const drag = useSpeedDrag(place, machine.max_rpm, readOnly, onSpeed);
  const [low, high] = zoomTo(n, machine.max_rpm);
  const range = useMemo(() => [low, high] as const, [low, high]);
  const highest = (i: number): number =>
    Math.max(...curves[i]!.points.filter((v) => v.x >= low && v.x <= high).map((v) => v.y), 0.1);
  const shownPower = toShown(power, 'kW', system);
  const shownTorque = toShown(torque, 'Nm', system);
  const has = machine.power_torque[rating];
  const text = `At ${formatMeasure(n, 'rpm', system)} power needed ${formatMeasure(power, 'kW', system)} of ${formatMeasure(powerAt(has, n), 'kW', system)} and ${formatMeasure(torque, 'Nm', system)} of ${formatMeasure(torqueAt(has, n), 'Nm', system)}.`;

  return (
    <figure className="flex h-full min-h-0 flex-col">
      <figcaption className="mb-1 text-[13px] text-soft">
        {text} Drag in the chart to move the speed.
      </figcaption>
      <div role="img" aria-label={text} className="relative min-h-40 flex-1 touch-none" {...drag}>
        <Plot
          text=""
          hidden
          curves={curves}
          x="spindle speed, rpm"
          y={UNITS.kW[system].label}
          right={UNITS.Nm[system].label}
          xRange={range}
          yMost={roomFor(highest(0), shownPower)}
          rightMost={roomFor(highest(1), shownTorque)}
          onPlaced={setPlace}
        />
        {place && (
          <>
            <Mark
              x={place.x(n)}
              y={place.y(shownPower)}
              look="size-[17px] rounded-full border-[3px] border-accent bg-raised"
            />
            <Mark
              x={place.x(n)}
              y={place.right(shownTorque)}
              look="size-2.5 rotate-45 border-[3px] border-tight bg-raised"
            />
          </>
        )}
      </div>
    </figure>
  );
}
