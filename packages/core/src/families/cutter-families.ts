import { backChamferFamily, dovetailFamily } from './angled-mills.ts';
import { ballNoseFamily } from './ball-nose.ts';
import { barrelFamily } from './barrel.ts';
import { chamferMillFamily } from './chamfer-mill.ts';
import { drillFamily } from './drill.ts';
import { endMillFamily } from './end-mill.ts';
import { faceMillFamily } from './face-mill.ts';
import type { CutterFamily } from './family.ts';
import { cornerRoundingFamily, engraverFamily } from './form-mills.ts';
import { lollipopFamily, slotCutterFamily } from './necked-mills.ts';
import { reamerFamily } from './reamer.ts';
import { tapFamily } from './tap.ts';
import { threadMillFamily } from './thread-mill.ts';

/** Every family a tool is made from, as they are offered. */
export const CUTTER_FAMILIES: readonly CutterFamily[] = [
  endMillFamily,
  ballNoseFamily,
  barrelFamily,
  faceMillFamily,
  drillFamily,
  tapFamily,
  threadMillFamily,
  reamerFamily,
  chamferMillFamily,
  slotCutterFamily,
  lollipopFamily,
  backChamferFamily,
  dovetailFamily,
  cornerRoundingFamily,
  engraverFamily,
];
