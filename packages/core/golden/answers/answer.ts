import type { GoldenCase } from '../golden-case.ts';

/** What Burl answers to one expected key: as in the file, null where there is no finite answer. */
export type Answer = number | boolean | string | null | readonly (number | boolean | string | null)[] | LobePoints;

/** Points of lobes by frequency and lobe number, in any order. */
export type LobePoints = readonly { readonly fc_Hz: number; readonly k: number; readonly n_rpm: number; readonly ap_mm: number }[];

export type Answers = Readonly<Record<string, Answer>>;
/** Answers of one topic, or null where the case is of another. */
export type Answerer = (c: GoldenCase) => Answers | null;

export const has = (c: GoldenCase, ...keys: readonly string[]): boolean => keys.every((k) => k in c.inputs);
export const expects = (c: GoldenCase, key: string): boolean => key in c.expected;
export const list = <T = number>(c: GoldenCase, key: string): readonly T[] => c.inputs[key] as unknown as T[];
export const RAD = Math.PI / 180;
export const DEG = 180 / Math.PI;
