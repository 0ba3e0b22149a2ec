import {
  type Grip,
  type HeldPart,
  type HoldingModel,
  type HoldingValues,
  frictionOf,
  neverReleases,
  shortSide,
} from './holding-model.ts';

/** Friction of steel jaws on metal, dry or with a film of coolant: smooth ground, formed soft, serrated. Machinery practice. */
const FRICTION = { smooth: 0.15, soft: 0.2, serrated: 0.3 } as const;

/** Two jaws that press on a part from its sides: friction on both faces, and the pressure that moves along them before one opens. */
function jawGrip(
  { forceN = 0, jawMm = 0, grippedMm = 0 }: HoldingValues,
  part: HeldPart,
  friction: number,
): Grip {
  const rub = 2 * friction * forceN;
  const face = Math.min(jawMm, part.lengthMm);
  const across = (forceN * grippedMm) / 6 + friction * forceN * shortSide(part);
  return {
    slideN: rub,
    liftN: rub,
    twistNm: ((forceN * face) / 6) * 1e-3,
    tiltNm: Math.min((rub * face) / 4, across) * 1e-3,
    from: `2 × friction ${friction} × ${Math.round(forceN)} N`,
  };
}

const FIELDS = [
  { key: 'forceN', label: 'Clamping force', unit: 'N-fine', least: 100, most: 200_000, usual: 12_000 },
  { key: 'jawMm', label: 'Jaw width', unit: 'mm', least: 5, most: 1000, usual: 125 },
  { key: 'grippedMm', label: 'Gripped height', unit: 'mm', least: 0.5, most: 200, usual: 5 },
] as const;

export const vice: HoldingModel = {
  name: 'vice',
  fields: [...FIELDS, frictionOf('Friction of the jaws', FRICTION.smooth)],
  factor: 2,
  releaseC: neverReleases,
  grip: (values, part) => jawGrip(values, part, values['friction'] ?? FRICTION.smooth),
  cautions: [
    'Thin walls between jaws are pressed out of shape: unclamp, measure, clamp lightly for finishing.',
  ],
};

export const softJaws: HoldingModel = {
  name: 'soft jaws',
  fields: [
    ...FIELDS.map((f) => (f.key === 'grippedMm' ? { ...f, usual: 8 } : f)),
    frictionOf('Friction of the jaws', FRICTION.soft),
  ],
  factor: 2,
  releaseC: neverReleases,
  grip: (values, part) => jawGrip(values, part, values['friction'] ?? FRICTION.soft),
  cautions: [
    'Soft jaws are bored under load and used for this side only; a chip between jaw and part moves its datum.',
  ],
};
