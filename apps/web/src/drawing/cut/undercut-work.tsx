import { type MillingFeature, undercutsBoth } from '@burl/core';

/** The work round a head that is at the bottom of its groove, its tip on the groove's lower wall. */
export function UndercutWork({
  feature,
  headMm,
  place: { scale, cx, floor },
  width,
  height,
}: {
  feature: MillingFeature;
  headMm: number;
  place: { readonly scale: number; readonly cx: number; readonly floor: number };
  width: number;
  height: number;
}) {
  const { undercut, widthMm: deep, depthMm: high } = feature;
  if (!undercut) return null;
  const top = Math.max(0, floor - undercut.floorMm * scale);
  const roof = floor - high * scale;
  const both = undercutsBoth(undercut);
  const throat = undercut.throatMm ?? 0;
  // The head touches the wall at its right; under a slot the other side lies a throat away.
  const bottom = cx + (headMm / 2) * scale;
  const wall = bottom - deep * scale;
  const sloped = undercut.form === 'dovetail';
  const side = (at: number, far: number, sign: 1 | -1): string => {
    const edge = sign > 0 ? width : 0;
    return `M${edge} ${top} H${at} V${roof} ${sloped ? `L${far} ${floor}` : `H${far} V${floor}`} H${edge} Z`;
  };
  const left = wall - throat * scale;
  return (
    <g data-groove={undercut.form}>
      <rect x={0} y={floor} width={width} height={height - floor} fill="url(#stock)" />
      <line x1={0} x2={width} y1={floor} y2={floor} stroke="var(--stock-line)" />
      <path d={side(wall, bottom, 1)} fill="url(#stock)" stroke="var(--stock-line)" />
      {both && <path d={side(left, left - deep * scale, -1)} fill="url(#stock)" stroke="var(--stock-line)" />}
    </g>
  );
}
