import type { ChildProcess } from 'node:child_process';

export interface ServerProcess {
  readonly url: string;
  readonly process: ChildProcess;
  /** Everything it wrote into its log so far. */
  log(): string;
  /** Asks it to stop, and waits until it has. */
  stop(): Promise<void>;
}
/** Starts the built server, or its source, at a free port of loopback. Throws when it ends before it is ready. */
export function startServer(options: {
  databaseUrl: string;
  environment?: Readonly<Record<string, string>>;
  fromSource?: boolean;
}): Promise<ServerProcess>;
