import { asQuery, type Crib, type JobFile, type JobSummary, type Release } from '@burl/contract';

export interface Account {
  readonly url: string;
  readonly email: string;
  readonly password: string;
}

/** A signed-in connection to a Burl server. */
export interface ServerLink {
  /** Jobs a word is found in. */
  jobs(search: string): Promise<JobSummary[]>;
  exportJob(id: string): Promise<JobFile>;
  /** The current sheet of a job, with all it was judged by. */
  sheet(id: string): Promise<Release>;
  crib(): Promise<Crib>;
  importJob(file: JobFile): Promise<{ id: string; number: string }>;
}

async function answerOf<T>(response: Response): Promise<T> {
  const body = (await response.json().catch(() => ({}))) as { message?: string };
  if (!response.ok) throw new Error(body.message ?? `the server answered ${response.status}`);
  return body as T;
}

/** Signs in. Throws with the server's words when it refuses, or when it cannot be reached. */
export async function signIn({ url, email, password }: Account): Promise<ServerLink> {
  const base = url.replace(/\/$/, '');
  const post = (path: string, body: unknown, cookie?: string): Promise<Response> =>
    fetch(`${base}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
      body: JSON.stringify(body),
    }).catch((error: unknown) => {
      throw new Error(`${base} cannot be reached: ${(error as Error).message}`);
    });
  const answer = await post('/api/session', { email, password });
  await answerOf(answer);
  const cookie = (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  const get = async <T>(path: string): Promise<T> =>
    answerOf<T>(await fetch(`${base}${path}`, { headers: { cookie } }));
  return {
    jobs: (search) => get(`/api/jobs${asQuery({ search })}`),
    exportJob: (id) => get(`/api/jobs/${id}/export`),
    sheet: (id) => get(`/api/jobs/${id}/sheet`),
    crib: () => get('/api/crib'),
    importJob: async (file) =>
      (await answerOf<{ job: { id: string; number: string } }>(await post('/api/jobs/import', file, cookie)))
        .job,
  };
}
