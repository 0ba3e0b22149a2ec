export * from './operation-base.ts';
export * from '../physics/path/entry.ts';
export * from '../physics/path/feature.ts';

/** Kinds of operations by their names: each kind's folder adds its own. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface OperationTypes {}

/** An operation of any kind. */
export type Operation = OperationTypes[keyof OperationTypes];
