import { type SessionSpan, USUAL_SPAN } from '../store/sessions.ts';

/** How this server is reached, and how long people stay signed in. */
export interface SiteSettings {
  /** Addresses and ranges of proxies whose word about address and protocol is taken; none on a machine of one's own. */
  readonly trustedProxies: readonly string[];
  /** `https://burl.example`: where people open the site; null takes whatever address they used. */
  readonly publicOrigin: string | null;
  /** The cookie goes over HTTPS only. */
  readonly secureCookie: boolean;
  readonly session: SessionSpan;
  /** Sign-ins from one address in a minute. */
  readonly signInsPerMinute: number;
  /** Works out what the list of jobs shows; off where another server does that for all. */
  readonly summaries: boolean;
}

export const PLAIN_SITE: SiteSettings = {
  trustedProxies: [],
  publicOrigin: null,
  secureCookie: false,
  session: USUAL_SPAN,
  signInsPerMinute: 10,
  summaries: true,
};

type Environment = Readonly<Record<string, string | undefined>>;

function within(env: Environment, name: string, usual: number, low: number, high: number): number {
  const given = env[name];
  if (given === undefined || given === '') return usual;
  const value = Number(given);
  if (!(value >= low && value <= high)) throw new Error(`${name} is ${given}; allowed: ${low} to ${high}`);
  return value;
}

/** Settings from the environment. Throws with name, value and what is allowed. */
export function siteSettings(env: Environment): SiteSettings {
  const trustedProxies = (env['BURL_TRUSTED_PROXIES'] ?? '')
    .split(',')
    .map((p) => p.trim())
    .filter((p) => p !== '');
  const given = env['BURL_PUBLIC_ORIGIN'] ?? '';
  let publicOrigin: string | null = null;
  if (given !== '') {
    publicOrigin = URL.canParse(given) ? new URL(given).origin : null;
    if (publicOrigin === null || !/^https?:/.test(publicOrigin) || publicOrigin !== given.replace(/\/$/, ''))
      throw new Error(`BURL_PUBLIC_ORIGIN is ${given}; allowed: an origin like https://burl.example`);
  }
  const secureCookie = env['BURL_HTTPS'] === '1' || (publicOrigin?.startsWith('https:') ?? false);
  if (secureCookie && trustedProxies.length === 0)
    throw new Error(
      'BURL_TRUSTED_PROXIES is empty; behind HTTPS it has to name the proxy that ends it, like 127.0.0.1 or 10.0.0.0/8: ' +
        'else nobody can sign in, and the limit of sign-ins per address is one for the whole site',
    );
  return {
    trustedProxies,
    publicOrigin,
    secureCookie,
    session: {
      hours: within(env, 'BURL_SESSION_HOURS', USUAL_SPAN.hours, 0.1, 168),
      idleMinutes: within(env, 'BURL_IDLE_MINUTES', USUAL_SPAN.idleMinutes, 1, 7 * 24 * 60),
    },
    signInsPerMinute: within(env, 'BURL_SIGN_INS_PER_MINUTE', PLAIN_SITE.signInsPerMinute, 1, 100_000),
    summaries: env['BURL_SUMMARIES'] !== '0',
  };
}
