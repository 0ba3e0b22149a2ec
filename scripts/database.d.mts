/** Makes a database when it is not there. `adminUrl`: a connection that may create databases. */
export function ensureDatabase(adminUrl: string, name: string): Promise<void>;
/** Makes a role that may sign in, or gives it another password. */
export function ensureRole(adminUrl: string, name: string, password: string): Promise<void>;
