import {
  frictionOf,
  type Grip,
  type HeldPart,
  type HoldingModel,
  neverReleases,
  shortSide,
} from './holding-model.ts';

/** Friction of a part on a steel table or fixture. */
const ON_TABLE = 0.15;

/** A part pressed on its base by a force in all: only the base's friction counts, straps give way sideways. */
export const pressedGrip = (downN: number, part: HeldPart, friction: number, from: string): Grip => ({
  slideN: friction * downN,
  liftN: downN,
  // Clamps stand near the ends: friction acts at about a third of the long side from the middle.
  twistNm: ((friction * downN * Math.max(part.lengthMm, part.widthMm)) / 3) * 1e-3,
  tiltNm: ((downN * shortSide(part)) / 2) * 1e-3,
  from,
});

export const clamps: HoldingModel = {
  name: 'clamps',
  fields: [
    { key: 'count', label: 'Clamps', unit: 'pieces', least: 1, most: 40, usual: 4 },
    { key: 'forceN', label: 'Force of each', unit: 'N-fine', least: 100, most: 100_000, usual: 6000 },
    frictionOf('Friction on the table', ON_TABLE),
    { key: 'heightMm', label: 'Height over the part', unit: 'mm', least: 0, most: 200, usual: 25 },
  ],
  factor: 2,
  releaseC: neverReleases,
  grip: ({ count = 1, forceN = 0, friction = ON_TABLE }, part) =>
    pressedGrip(count * forceN, part, friction, `friction ${friction} × ${count} × ${Math.round(forceN)} N`),
  cautions: [
    'Keep holder and spindle nose clear of clamps on every rapid; check at the first piece with rapid turned down.',
  ],
};

/** Preload of a screw of property class 8.8 tightened to 0.7 of its proof stress, N; ISO 898-1 areas, thread friction 0.12. */
const preloadOf = (diameterMm: number): number => {
  const pitch =
    diameterMm <= 4
      ? 0.7
      : diameterMm <= 5
        ? 0.8
        : diameterMm <= 6
          ? 1
          : diameterMm <= 8
            ? 1.25
            : diameterMm <= 10
              ? 1.5
              : 1.75;
  const area = (Math.PI / 4) * (diameterMm - 0.9382 * pitch) ** 2;
  return 0.7 * 600 * area;
};

export const screws: HoldingModel = {
  name: 'fixture with screws',
  fields: [
    { key: 'count', label: 'Screws', unit: 'pieces', least: 1, most: 60, usual: 4 },
    { key: 'diameterMm', label: 'Thread diameter', unit: 'mm', least: 3, most: 24, usual: 6 },
    frictionOf('Friction on the fixture', ON_TABLE),
  ],
  factor: 1.5,
  releaseC: neverReleases,
  grip: ({ count = 1, diameterMm = 6, friction = ON_TABLE }, part) =>
    pressedGrip(
      count * preloadOf(diameterMm),
      part,
      friction,
      `friction ${friction} × ${count} screws at ${Math.round(preloadOf(diameterMm))} N`,
    ),
  cautions: [
    'Screws are tightened to the stated torque in a cross; what one screw held, the others do not hold.',
  ],
};

/** Friction of a seal and a ground plate under a part, with coolant about. */
const ON_VACUUM = 0.2;

export const vacuum: HoldingModel = {
  name: 'vacuum',
  fields: [
    { key: 'areaMm2', label: 'Area under vacuum', unit: 'mm2-fine', least: 50, most: 4e6, usual: 8000 },
    { key: 'pressureBar', label: 'Vacuum reached, bar', unit: 'ratio', least: 0.1, most: 1, usual: 0.8 },
    { key: 'leak', label: 'Lost to leaks', unit: 'ratio', least: 0, most: 0.9, usual: 0.1 },
    frictionOf('Friction on the plate', ON_VACUUM),
    { key: 'releaseC', label: 'Seals leak from', unit: 'degC-fine', least: 30, most: 200, usual: 70 },
  ],
  factor: 3,
  releaseC: ({ releaseC = 70 }) => releaseC,
  grip({ areaMm2 = 0, pressureBar = 0.8, leak = 0, friction = ON_VACUUM }, part) {
    const downN = 0.1 * pressureBar * (1 - leak) * areaMm2;
    const grip = pressedGrip(
      downN,
      part,
      friction,
      `friction ${friction} × ${Math.round(downN)} N of vacuum`,
    );
    // The seal opens at its edge long before the whole part lifts.
    return { ...grip, tiltNm: grip.tiltNm / 3 };
  },
  cautions: ['A pump that stops lets the part go: an alarm on the vacuum stops feed and spindle.'],
};
