import type { GoldenCase } from '../compare.ts';
import type { Answerer, Answers } from './answer.ts';
import { forces, obliqueTransform } from './forces.ts';
import { holes } from './holes.ts';
import { kinematics } from './kinematics.ts';
import { life } from './life.ts';
import { programs } from './programs.ts';
import { sound } from './sound.ts';
import { periodic, processDamping, speedRule, zeroOrder } from './stability.ts';
import { deflection, modalFit, tip } from './structure.ts';
import { surface } from './surface.ts';
import { TURNING } from './turning.ts';

/** Who answers the cases of a topic: by the sections of the file's notes, in turning by name. */
const TOPICS: Readonly<Record<number | string, Answerer>> = {
  ...TURNING,
  1: kinematics,
  2: forces,
  3: obliqueTransform,
  4: zeroOrder,
  5: periodic,
  6: processDamping,
  7: tip,
  8: modalFit,
  9: deflection,
  10: life,
  11: holes,
  12: surface,
  13: (c) => speedRule(c) ?? sound(c),
};

/** Burl's answers to a worked case by its topic and inputs, never by its id; null where Burl has nothing to say of them. */
export const answersTo = (c: GoldenCase): Answers | null => c.program === undefined ? (TOPICS[c.topic]?.(c) ?? null) : programs(c);
