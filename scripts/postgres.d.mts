export interface Cluster {
  /** Where its data and log lie. */
  readonly folder: string;
  /** The process everything of it hangs on. */
  pid(): number;
  url(database: string): string;
  stop(): void;
}
/** Makes sure a private cluster runs on loopback. `fast`: without waiting for the disk, for tests. */
export function startCluster(name: string, options?: { fast?: boolean }): Promise<Cluster>;
export const ROOT: string;
