export * from './crib.ts';
export * from './job-file.ts';
export * from './jobs.ts';
export * from './operation-schema.ts';
export * from './people.ts';
export * from './releases.ts';
export * from './resonance.ts';
export * from './holes.ts';
