/** Makes a database when it is not there. `adminUrl`: a connection that may create databases. */
export function ensureDatabase(adminUrl: string, name: string): Promise<void>;
