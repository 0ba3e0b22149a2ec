import { type HoldingModel, longSide, ROOM_C, shortSide } from './holding-model.ts';

/**
 * A glued or waxed part. Strength falls in a straight line from room temperature to where the bond lets go; what pulls it off
 * an edge peels it, at a share of what it stands in shear. Lap-shear practice, e.g. EN 1465 values halved for a whole joint.
 */
export const adhesive: HoldingModel = {
  name: 'adhesive',
  fields: [
    { key: 'areaMm2', label: 'Bonded area', unit: 'mm2-fine', least: 10, most: 4e6, usual: 2500 },
    {
      key: 'strengthMPa',
      label: 'Shear strength cured and cold, MPa',
      unit: 'ratio',
      least: 0.05,
      most: 60,
      usual: 6,
    },
    { key: 'cure', label: 'Share of cure reached', unit: 'ratio', least: 0.05, most: 1, usual: 0.9 },
    {
      key: 'peelShare',
      label: 'Strength when peeled, share of shear',
      unit: 'ratio',
      least: 0.02,
      most: 1,
      usual: 0.35,
    },
    { key: 'releaseC', label: 'Lets go at', unit: 'degC-fine', least: 30, most: 300, usual: 80 },
  ],
  factor: 3,
  releaseC: ({ releaseC = 80 }) => releaseC,
  grip({ areaMm2 = 0, strengthMPa = 0, cure = 1, peelShare = 0.35, releaseC = 80 }, part, temperatureC) {
    const warm = Math.min(1, Math.max(0, 1 - (temperatureC - ROOM_C) / (releaseC - ROOM_C)));
    const shear = strengthMPa * cure * warm;
    // A spot as long as the part in proportion: its modulus for tilting, its polar one for twisting.
    const long = Math.sqrt((areaMm2 * longSide(part)) / Math.max(1, shortSide(part)));
    const short = areaMm2 / Math.max(1, long);
    return {
      slideN: shear * areaMm2,
      // Pulled straight it stands as much as in shear; tilted it peels from its edge.
      liftN: shear * areaMm2,
      twistNm: shear * areaMm2 * 0.25 * Math.hypot(long, short) * 1e-3,
      tiltNm: peelShare * shear * ((long * short ** 2) / 6) * 1e-3,
      from: `${shear.toFixed(1)} MPa × ${Math.round(areaMm2)} mm² at ${Math.round(temperatureC)} °C`,
    };
  },
  cautions: [
    'A bond is released by heat or by a solvent: read its data sheet, ventilate, keep flames and sparks away.',
    'A thin part held by a bond bends back as it was pressed: let it lie flat while the bond cures.',
  ],
};
