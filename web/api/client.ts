import createClient, { type Middleware } from 'openapi-fetch';

import type { components, paths } from './contract.generated';

export type Schemas = components['schemas'];

/** What the server refused, with its message and, where it knows, the field that each fault is at. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly fields: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }

  /** Whether Rung could not be reached or could not answer: what is kept here goes on counting, and sending is tried again. */
  get isAway(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

/** Heard by the shell, which asks for the password without leaving the page. */
export const SIGNED_OUT = 'rung:signed-out';

/** Heard by the shell where somebody chooses to sign in again. */
export const SIGN_IN_WANTED = 'rung:sign-in';

const token = (): string => {
  const cookie = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
  return cookie?.[1] === undefined ? '' : decodeURIComponent(cookie[1]);
};

const withToken: Middleware = {
  onRequest({ request }) {
    request.headers.set('X-XSRF-TOKEN', token());
    request.headers.set('Accept', 'application/json');
    return request;
  },
};

/** Answers that were given with a version, by address: asked again, the server only says whether it is still this one. */
const known = new Map<string, { etag: string; body: string }>();
const MOST_KNOWN = 20;

/** Nothing of a person stays when somebody else may sign in. */
export const forgetAnswers = (): void => {
  known.clear();
};

const withVersions: Middleware = {
  onRequest({ request }) {
    const before = request.method === 'GET' ? known.get(request.url) : undefined;
    if (before !== undefined) request.headers.set('If-None-Match', before.etag);
    return request;
  },
  async onResponse({ request, response }) {
    const before = known.get(request.url);
    if (response.status === 304 && before !== undefined) {
      return new Response(before.body, { status: 200, headers: { 'Content-Type': 'application/json' } });
    }
    const etag = response.headers.get('ETag');
    if (request.method === 'GET' && response.ok && etag !== null) {
      known.delete(request.url);
      known.set(request.url, { etag, body: await response.clone().text() });
      const [oldest] = known.keys();
      if (known.size > MOST_KNOWN && oldest !== undefined) known.delete(oldest);
    }
    return response;
  },
};

/** Milliseconds after which a request that hangs counts as no reception. */
let patience = 30_000;

export const setPatience = (milliseconds: number): void => {
  patience = milliseconds;
};

export const api = createClient<paths>({
  baseUrl: '/',
  fetch: (request) => fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(patience)]) }),
});
api.use(withToken, withVersions);

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

const EXPIRED = 419;

const PASSWORD_WANTED = 423;

/** Asks for the password before a sensitive act; answers whether it was given. Set by the shell. */
let askForPassword: (() => Promise<boolean>) | null = null;

export const whenPasswordIsWanted = (ask: typeof askForPassword): void => {
  askForPassword = ask;
};

/**
 * Sends a request and gives its data or throws a {@link Refusal}. A page that has expired gets a
 * fresh token and is sent once more, so that nothing has to be typed again; so is an act for which the password is
 * wanted again, once it was given.
 */
export async function send<T>(request: () => Promise<Answer<T>>): Promise<T> {
  let answer = await attempt(request);
  if (answer.response.status === EXPIRED) {
    await attempt(() => api.GET('/api/session'));
    answer = await attempt(request);
  }
  if (answer.response.status === PASSWORD_WANTED && askForPassword !== null) {
    if (!(await askForPassword()))
      throw new Refusal(PASSWORD_WANTED, 'Nothing was done: your password is needed for this.');
    answer = await attempt(request);
  }
  if (answer.response.ok && answer.data !== undefined) {
    return answer.data;
  }
  if (answer.response.status === 401) {
    window.dispatchEvent(new Event(SIGNED_OUT));
  }
  throw refusal(answer.response.status, answer.error);
}

async function attempt<T>(request: () => Promise<Answer<T>>): Promise<Answer<T>> {
  try {
    return await request();
  } catch {
    throw new Refusal(0, 'No connection to Rung. What you entered is still here: try again when there is reception.');
  }
}

function refusal(status: number, body: unknown): Refusal {
  const answer = (typeof body === 'object' && body !== null ? body : {}) as {
    message?: string;
    errors?: Record<string, string[]>;
  };
  const fields = Object.fromEntries(
    Object.entries(answer.errors ?? {}).map(([field, messages]) => [field, messages[0] ?? '']),
  );
  const first = Object.values(fields)[0];
  return new Refusal(status, first ?? answer.message ?? `Rung could not answer (${status}). Try again.`, fields);
}

/** The message for one field, or undefined. */
export const faultAt = (problem: unknown, field: string): string | undefined =>
  problem instanceof Refusal ? problem.fields[field] : undefined;

/** Saves a file that may need the password first; a link alone could not ask for it. */
export async function saveFile(path: string): Promise<void> {
  const load = async () => {
    const response = await fetch(path, { headers: { Accept: 'application/json' } });
    return {
      response,
      ...(response.ok ? { data: await response.blob() } : { error: (await response.json()) as unknown }),
    };
  };
  const data = await send(load);
  const address = URL.createObjectURL(data);
  const link = document.createElement('a');
  link.href = address;
  link.download = path.split('/').at(-1)?.split('?')[0] ?? 'rung';
  link.click();
  URL.revokeObjectURL(address);
}
