import {
  contextWith,
  type CurvedSurface,
  formatMeasure,
  type MillingOperation,
  startingStickOut,
  type SurfaceWay,
  surfaceWays,
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
  { key: 'hollowMm', label: 'Hollow by', unit: 'mm', empty: null, hint: 'empty: flat or bulging' },
  { key: 'tiltDeg', label: 'Tilt of the cutter', unit: 'deg', empty: 0, hint: 'empty: three axes' },
];
const HEADS = [
  'touches',
  'step',
  'at ⌀',
  'speed',
  'fz',
  'minutes',
  'Ra across, along',
  'push',
  'corner',
] as const;
/** Cutters shown at the most: of those that do, and of those that do not. */
const MOST = { good: 12, against: 4 } as const;
const SCALLOP = 0.005;

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
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const um = (v: number): string => formatMeasure(v, 'um-fine', system);
  return (
    <table className="w-full text-[12.5px] tabular-nums">
      <thead className="text-left text-soft">
        <tr>
          {HEADS.map((h) => (
            <th key={h} scope="col" className="pr-2 font-normal">
              {h}
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
            <td className="pr-2 pb-1">R {mm(w.contactMm)}</td>
            <td className="pr-2 pb-1">{mm(w.stepMm)}</td>
            <td className="pr-2 pb-1">{mm(w.contactDiameterMm)}</td>
            <td className="pr-2 pb-1">{formatMeasure(w.speedRpm, 'rpm', system)}</td>
            <td className="pr-2 pb-1">{mm(w.feedPerToothMm)}</td>
            <td className="pr-2 pb-1 font-semibold">{formatMeasure(w.minutes, 'min', system)}</td>
            <td className="pr-2 pb-1">
              {um(w.raAcrossUm)}, {um(w.raAlongUm)}
            </td>
            <td className="pr-2 pb-1">{formatMeasure(w.forceN, 'N', system)}</td>
            <td className="pb-1">R {mm(w.cornerMm)}</td>
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
  const [surface, setSurface] = useState<CurvedSurface>({
    slopeDeg: feature.slopeDeg < 90 ? feature.slopeDeg : 60,
    scallopMm: feature.scallopMm ?? SCALLOP,
    areaMm2: feature.lengthMm * feature.widthMm,
    hollowMm: null,
    tiltDeg: 10,
  });
  const speedMMin = (Math.PI * (context.cutter.properties.DC ?? 10) * cut.speedRpm) / 1000;
  const all = useMemo(
    () =>
      surface.slopeDeg > 90 || surface.tiltDeg > 60
        ? []
        : surfaceWays(
            surface,
            {
              speedMMin,
              feedPerToothMm: cut.feedPerToothMm,
              mostRpm: context.machine.max_rpm,
              kc11: context.alloy.kienzle.kc11_n_mm2.typical,
              mc: context.alloy.kienzle.mc.typical,
            },
            (crib?.cutters ?? [])
              .filter((c) => !c.retired)
              .map((c) => c.document)
              .filter((c) => c.suits_iso_groups.includes(context.alloy.iso513_group)),
          ),
    [surface, speedMMin, cut.feedPerToothMm, context, crib],
  );
  /** The cutter in the best holder, with its step, speed and feed on this surface. */
  const use = (w: SurfaceWay): void => {
    const cutter = crib?.cutters.find((c) => c.id === w.cutterId)?.document;
    const at = crib && cutter && contextWith(op, context, cutter, offerOf(crib));
    if (!at) return;
    onChange({
      ...op,
      tooling: {
        cutterId: cutter.id,
        holderId: at.holder.id,
        stickOutMm: Math.ceil(startingStickOut({ cutter }, feature.depthMm + 2) * 2) / 2,
      },
      // Tilted, the cutter meets the surface as if it were that much steeper.
      feature: {
        ...feature,
        slopeDeg: Math.min(90, surface.slopeDeg + surface.tiltDeg),
        scallopMm: surface.scallopMm,
        allowanceMm: 0,
      },
      cut: {
        ...cut,
        speedRpm: Math.floor(w.speedRpm / 10) * 10,
        feedPerToothMm: Number(w.feedPerToothMm.toPrecision(3)),
        axialDepthMm: Math.min(cut.axialDepthMm, cutter.properties.APMX ?? cut.axialDepthMm),
        radialEngagementMm: Math.min(Number(w.stepMm.toPrecision(3)), cutter.properties.DC ?? w.stepMm),
      },
      workedOutFor: { ...op.workedOutFor, cutterId: cutter.id },
    });
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
          fields={FIELDS}
          readOnly={false}
          onSet={(change) => setSurface((s) => ({ ...s, ...change }))}
        />
      </div>
      <div className="min-h-0 overflow-auto">
        <p className="mb-1 text-[12.5px] text-soft">
          At {formatMeasure(speedMMin, 'm/min', system)} where the cutter touches and{' '}
          {formatMeasure(cut.feedPerToothMm, 'mm/tooth', system)}, small cutters less.
        </p>
        {ways.length === 0 ? (
          <p>No cutter of the crib for this alloy has a rounded edge that touches this slope.</p>
        ) : (
          <SurfaceTable ways={ways} onUse={readOnly ? null : use} />
        )}
      </div>
    </section>
  );
}
