/**
 * Chip thickness of the true tooth path, mm, against which the circular approximation is judged.
 *
 * Tooth path: centre moves along x with fz per tooth pitch, angle measured from +y clockwise. The chip is the
 * distance, along the radius of the present tooth, to the path of the tooth before. Martellotti 1941, solved
 * by Newton's method.
 */
export function trochoidalChip(
  feedPerToothMm: number,
  diameterMm: number,
  teeth: number,
  angle: number,
): number {
  const radius = diameterMm / 2;
  const pitch = (2 * Math.PI) / teeth;
  const perRadian = feedPerToothMm / pitch;
  // The tooth before reached turn angle `a` when the centre was `perRadian·(a + pitch − angle)` behind today's centre.
  const previous = (a: number): { x: number; y: number } => ({
    x: radius * Math.sin(a) + perRadian * (a - angle) - feedPerToothMm,
    y: radius * Math.cos(a),
  });
  // Find where the previous path crosses the present radius: cross product of position with the radius is zero.
  const side = (a: number): number => {
    const p = previous(a);
    return p.x * Math.cos(angle) - p.y * Math.sin(angle);
  };
  let a = angle + (feedPerToothMm * Math.cos(angle)) / radius;
  for (let i = 0; i < 50; i++) {
    const step = 1e-7;
    const slope = (side(a + step) - side(a - step)) / (2 * step);
    const next = a - side(a) / slope;
    if (Math.abs(next - a) < 1e-14) break;
    a = next;
  }
  const p = previous(a);
  return radius - (p.x * Math.sin(angle) + p.y * Math.cos(angle));
}
