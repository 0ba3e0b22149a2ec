import { requirePositive } from '../../units/input-error.ts';

/** Spindle speed, rpm, from cutting speed (m/min) and the diameter in the cut (mm). ISO 3002-1. */
export function spindleSpeed(cuttingSpeedMMin: number, diameterMm: number): number {
  requirePositive('diameter', diameterMm);
  return (1000 * cuttingSpeedMMin) / (Math.PI * diameterMm);
}

/** Cutting speed, m/min, from spindle speed (rpm) and the diameter in the cut (mm). ISO 3002-1. */
export const cuttingSpeed = (speedRpm: number, diameterMm: number): number =>
  (Math.PI * diameterMm * speedRpm) / 1000;

/** Table feed, mm/min. */
export const tableFeed = (speedRpm: number, teeth: number, feedPerToothMm: number): number =>
  speedRpm * teeth * feedPerToothMm;

/** Material removal rate, cm³/min, from depths in mm and table feed in mm/min. */
export const removalRate = (axialDepthMm: number, radialMm: number, tableFeedMmMin: number): number =>
  (axialDepthMm * radialMm * tableFeedMmMin) / 1000;
