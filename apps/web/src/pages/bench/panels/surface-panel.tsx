import {
  contextWith,
  diameterEngaged,
  type CurvedSurface,
  formatMeasure,
  formatNumber,
  UNITS,
  type Unit,
  type MillingOperation,
  onSurfaceWith,
  type SurfaceWay,
  surfaceWays,
  withStartingCut,
} from '@burl/core';
import { useMemo, useState } from 'react';
import { useCrib } from '../../../api/hooks.ts';
import { useSystem } from '../../../frame/preferences.tsx';
import { offerOf } from '../../../judging/offer.ts';
import { Button } from '../../../ui/button.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import type { PanelProps } from './panel-props.ts';

const FIELDS: readonly NumberField<CurvedSurface>[] = [
  { key: 'slopeDeg', label: 'Slope', unit: 'deg', zero: true, hint: '0 a floor, 90 a wall' },
  { key: 'scallopMm', label: 'Scallop height', unit: 'mm-fine' },
  { key: 'areaMm2', label: 'Area', unit: 'mm2' },
  { key: 'stockMm', label: 'Stock', unit: 'mm' },
  { key: 'hollowMm', label: 'Hollow by', unit: 'mm', empty: null, hint: 'empty: flat or bulging' },
  { key: 'mostTiltDeg', label: 'Most tilt', unit: 'deg', empty: 0, hint: 'empty: three axes' },
];
/** Columns, with the units their numbers have. */
const HEADS: readonly (readonly [string, Unit | null])[] = [
  ['touches R', 'mm'],
  ['tilt', 'deg'],
  ['step', 'mm'],
  ['at ⌀', 'mm'],
  ['speed', 'rpm'],
  ['fz', 'mm/tooth'],
  ['time', 'min'],
  ['Ra, along', 'um-fine'],
  ['force', 'N'],
  ['corner R', 'mm'],
];
const VALUES: Readonly<Record<string, (w: SurfaceWay) => readonly number[]>> = {
  'touches R': (w) => [w.contactMm],
  tilt: (w) => [w.tiltDeg],
  step: (w) => [w.stepMm],
  'at ⌀': (w) => [w.contactDiameterMm],
  speed: (w) => [w.speedRpm],
  fz: (w) => [w.feedPerToothMm],
  time: (w) => [w.minutes],
  'Ra, along': (w) => [w.raAcrossUm, w.raAlongUm],
  force: (w) => [w.forceN],
  'corner R': (w) => [w.cornerMm],
};
/** Cutters shown at the most: of those that do, and of those that do not. */
const MOST = { good: 12, against: 4 } as const;
const SCALLOP = 0.005;
const STOCK = 0.2;
/** Tilt a head or table of five axes usually has to spare, degrees. */
const USUAL_TILT = 60;

/** Cutters on the surface, one under the other. */
function SurfaceTable({
  ways,
  onUse,
}: {
  ways: readonly SurfaceWay[];
  /** Null where nothing may be changed. */
  onUse: ((way: SurfaceWay) => void) | null;
}) {
  const system = useSystem();
  return (
    <table className="w-full text-[12.5px] tabular-nums">
      <thead className="text-left text-soft">
        <tr>
          {HEADS.map(([head, unit]) => (
            <th key={head} scope="col" className="pr-2 align-bottom font-normal">
              {head}
              {unit && <span className="block text-[11.5px]">{UNITS[unit][system].label}</span>}
            </th>
          ))}
        </tr>
      </thead>
      {ways.map((w) => (
        <tbody key={w.cutterId} className={`border-t border-line ${w.against ? 'text-soft' : ''}`}>
          <tr>
            <th scope="rowgroup" colSpan={HEADS.length} className="pt-1 text-left font-semibold">
              {w.name}
              {w.against && <span className="font-normal">: {w.against}</span>}
              {!w.against && onUse && (
                <Button
                  look="quiet"
                  className="ml-2 px-1.5"
                  aria-label={`Use ${w.name}`}
                  onClick={() => onUse(w)}
                >
                  Use
                </Button>
              )}
            </th>
          </tr>
          <tr>
            {HEADS.map(([head, unit]) => (
              <td key={head} className={`pr-2 pb-1 ${head === 'time' ? 'font-semibold' : ''}`}>
                {VALUES[head]!(w)
                  .map((v) => formatNumber(v, unit ?? 'ratio', system))
                  .join(', ')}
              </td>
            ))}
          </tr>
        </tbody>
      ))}
    </table>
  );
}

/** Ball, bull-nose, barrel and lens cutters of the crib on the same sloping surface, quickest first. */
export default function SurfacePanel({ op, context, readOnly, onChange }: PanelProps<MillingOperation>) {
  const system = useSystem();
  const { data: crib } = useCrib();
  const { feature, cut } = op;
  const own = feature.finishing?.face === 'surface';
  // Of a curved surface only how far the cutter can be tilted is not the operation's own.
  const [asked, setAsked] = useState<CurvedSurface>({
    slopeDeg: feature.slopeDeg < 90 ? feature.slopeDeg : 60,
    scallopMm: feature.scallopMm ?? SCALLOP,
    areaMm2: feature.lengthMm * feature.widthMm,
    stockMm: STOCK,
    hollowMm: null,
    mostTiltDeg: /5-axis|mill-turn/.test(context.machine.kind) ? USUAL_TILT : 0,
  });
  const surface = useMemo<CurvedSurface>(
    () =>
      own
        ? {
            ...asked,
            slopeDeg: feature.slopeDeg,
            scallopMm: feature.scallopMm ?? SCALLOP,
            areaMm2: feature.lengthMm * feature.widthMm,
            stockMm: feature.depthMm,
            hollowMm: feature.finishing?.surface?.hollowMm ?? null,
          }
        : asked,
    [own, asked, feature],
  );
  // As it was when one began to compare: what is taken for one cutter is no measure for the others.
  const [{ speedMMin, feedPerToothMm }] = useState(() => ({
    speedMMin: (Math.PI * diameterEngaged(op, context.cutter) * cut.speedRpm) / 1000,
    feedPerToothMm: cut.feedPerToothMm,
  }));
  const all = useMemo(
    () =>
      surface.slopeDeg > 90 || surface.mostTiltDeg > 60
        ? []
        : surfaceWays(
            surface,
            {
              speedMMin,
              feedPerToothMm,
              mostRpm: context.machine.max_rpm,
              kc11: context.alloy.kienzle.kc11_n_mm2.typical,
              mc: context.alloy.kienzle.mc.typical,
            },
            (crib?.cutters ?? [])
              .filter((c) => !c.retired)
              .map((c) => c.document)
              .filter((c) => c.suits_iso_groups.includes(context.alloy.iso513_group)),
          ),
    [surface, speedMMin, feedPerToothMm, context, crib],
  );
  /** The cutter in the best holder, with its step, speed and feed on this surface. */
  const use = (w: SurfaceWay): void => {
    const cutter = crib?.cutters.find((c) => c.id === w.cutterId)?.document;
    const at = crib && cutter && contextWith(op, context, cutter, offerOf(crib));
    if (!at) return;
    const next: MillingOperation = { ...onSurfaceWith(op, at, w.tiltDeg), pins: op.pins };
    // Its own first numbers, held against what this cutter and holder hold.
    onChange(withStartingCut(next, { ...context, ...at }) as MillingOperation);
  };
  const ways = [
    ...all.filter((w) => w.against === null).slice(0, MOST.good),
    ...all.filter((w) => w.against !== null).slice(0, MOST.against),
  ];
  return (
    <section aria-label="Surface" className="grid h-full min-h-0 grid-cols-[150px_minmax(0,1fr)] gap-3">
      <div className="space-y-1.5 overflow-auto">
        <NumberFields
          of={surface}
          fields={own ? FIELDS.filter((f) => f.key === 'mostTiltDeg') : FIELDS}
          readOnly={false}
          onSet={(change) => setAsked((s) => ({ ...s, ...change }))}
        />
        {own ? (
          <p className="text-[12.5px] text-soft">Slope, ridges, area and stock are those of the feature.</p>
        ) : (
          <p className="text-[12.5px] text-soft">
            To use one, add a <i>curved surface</i> on the route: this cut makes none.
          </p>
        )}
      </div>
      <div className="min-h-0 overflow-auto">
        <p className="mb-1 text-[12.5px] text-soft">
          At {formatMeasure(speedMMin, 'm/min', system)} where the cutter touches and{' '}
          {formatMeasure(feedPerToothMm, 'mm/tooth', system)}, small cutters less.
        </p>
        {ways.length === 0 ? (
          <p>No cutter of the crib for this alloy has a rounded edge that touches this slope.</p>
        ) : (
          <SurfaceTable ways={ways} onUse={readOnly || !own ? null : use} />
        )}
      </div>
    </section>
  );
}
