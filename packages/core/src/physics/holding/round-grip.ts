import { type HoldingModel, frictionOf, neverReleases } from './holding-model.ts';

const STEEL_JAWS = 0.2;
const COLLET = 0.15;

/** A round part gripped at its circumference: friction against pushing, pulling and turning. */
const roundGrip = (forceN: number, friction: number, diameterMm: number, lengthMm: number) => ({
  slideN: forceN * 0.5,
  liftN: friction * forceN,
  twistNm: ((friction * forceN * diameterMm) / 2) * 1e-3,
  tiltNm: ((forceN * lengthMm) / 6 + (friction * forceN * diameterMm) / Math.PI) * 1e-3,
  from: `friction ${friction} × ${Math.round(forceN)} N on ${diameterMm} mm`,
});

const FIELDS = [
  {
    key: 'forceN',
    label: 'Grip of all jaws together',
    unit: 'N-fine',
    least: 200,
    most: 500_000,
    usual: 30_000,
  },
  { key: 'diameterMm', label: 'Gripped diameter', unit: 'mm', least: 1, most: 2000, usual: 60 },
  { key: 'grippedMm', label: 'Gripped length', unit: 'mm', least: 1, most: 500, usual: 20 },
] as const;

export const chuck: HoldingModel = {
  name: 'chuck',
  fields: [...FIELDS, frictionOf('Friction of the jaws', STEEL_JAWS)],
  factor: 2.5,
  releaseC: neverReleases,
  grip: ({ forceN = 0, diameterMm = 0, grippedMm = 0, friction = STEEL_JAWS }) =>
    roundGrip(forceN, friction, diameterMm, grippedMm),
  cautions: [
    'Never above the rated speed of chuck and jaws; a ring is gripped as lightly as the cut allows.',
  ],
};

export const collet: HoldingModel = {
  name: 'collet',
  fields: FIELDS.map((f) => (f.key === 'forceN' ? { ...f, label: 'Grip of the collet', usual: 15_000 } : f)),
  factor: 2,
  releaseC: neverReleases,
  grip: ({ forceN = 0, diameterMm = 0, grippedMm = 0 }) => roundGrip(forceN, COLLET, diameterMm, grippedMm),
  cautions: ['A collet grips its own size within a few tenths only; bar that is out of round slips.'],
};
