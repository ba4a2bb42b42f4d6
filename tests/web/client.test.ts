// @vitest-environment happy-dom
import { describe, expect, test, vi } from 'vitest';

import { api, faultAt, forgetAnswers, Refusal, send, setPatience, SIGNED_OUT } from '../../web/api/client';
import { away, server } from './server';

const morning = () =>
  send(() =>
    api.PUT('/api/today/check-ins/{id}', { params: { path: { id: 'm1' } }, body: { at: '2026-04-14T07:00:00+01:00' } }),
  );
const refused = async (): Promise<Refusal> => {
  const problem: unknown = await morning().then(
    () => null,
    (error: unknown) => error,
  );
  if (!(problem instanceof Refusal)) throw new Error('was taken');
  return problem;
};

describe('a request', () => {
  test('gives the data', async () => {
    server(() => [201, { stored: true, new: true }]);
    expect(await morning()).toEqual({ stored: true, new: true });
  });

  test('carries the token of the page', async () => {
    document.cookie = 'XSRF-TOKEN=a%3Db';
    let token: string | null = null;
    vi.stubGlobal('fetch', (request: Request) => {
      token = request.headers.get('X-XSRF-TOKEN');
      return Promise.resolve(new Response('{"user":null}', { headers: { 'Content-Type': 'application/json' } }));
    });
    await send(() => api.GET('/api/session'));
    expect(token).toBe('a=b');
  });

  test('of an expired page gets a fresh token and is sent once more, and only once', async () => {
    let fresh = false;
    const asked = server(({ path }) => {
      if (path === '/api/session') {
        fresh = true;
        return [200, { user: null }];
      }
      return fresh ? 201 : [419, {}];
    });
    await morning();
    expect(asked.map((request) => request.path)).toEqual([
      '/api/today/check-ins/m1',
      '/api/session',
      '/api/today/check-ins/m1',
    ]);
    const again = server(({ path }) => (path === '/api/session' ? [200, { user: null }] : [419, {}]));
    expect((await refused()).status).toBe(419);
    expect(again).toHaveLength(3);
  });

  test('that was answered before is asked for by its version, and what is known is given again', async () => {
    forgetAnswers();
    let version = '"1"';
    const asked: (string | null)[] = [];
    vi.stubGlobal('fetch', (request: Request) => {
      const has = request.headers.get('If-None-Match');
      asked.push(has);
      return Promise.resolve(
        has === version
          ? new Response(null, { status: 304 })
          : new Response(JSON.stringify({ case: null, version }), {
              headers: { 'Content-Type': 'application/json', ETag: version },
            }),
      );
    });
    const today = () => send(() => api.GET('/api/today'));
    expect([await today(), await today()]).toEqual([
      { case: null, version: '"1"' },
      { case: null, version: '"1"' },
    ]);
    version = '"2"';
    expect(await today()).toEqual({ case: null, version: '"2"' });
    forgetAnswers();
    await today();
    expect(asked).toEqual([null, '"1"', '"1"', null]);
  });

  test('of somebody who is signed out asks for the password without leaving the page', async () => {
    const heard = vi.fn();
    window.addEventListener(SIGNED_OUT, heard);
    server(() => [401, { message: 'Unauthenticated.' }]);
    const problem = await refused();
    window.removeEventListener(SIGNED_OUT, heard);
    expect([problem.status, problem.isAway, heard.mock.calls.length]).toEqual([401, false, 1]);
  });

  test('gives each fault at its field', async () => {
    server(() => [
      422,
      { message: 'x', errors: { provocation: ['The score must be from 0 to 10.'], at: ['Too late.'] } },
    ]);
    const problem = await refused();
    expect([
      problem.message,
      faultAt(problem, 'at'),
      faultAt(problem, 'notes'),
      faultAt(new Error('other'), 'at'),
    ]).toEqual(['The score must be from 0 to 10.', 'Too late.', undefined, undefined]);
  });

  test.each([
    [503, true],
    [500, true],
    [403, false],
    [409, false],
  ])('answered by %i counts as away: %s', async (status, isAway) => {
    server(() => [status, {}]);
    const problem = await refused();
    expect([problem.isAway, problem.message]).toEqual([isAway, `Rung could not answer (${status}). Try again.`]);
  });

  test('without reception, or that hangs, counts as no connection', async () => {
    server(away);
    expect((await refused()).message).toContain('No connection to Rung');
    setPatience(20);
    vi.stubGlobal(
      'fetch',
      (_: Request, { signal }: { signal: AbortSignal }) =>
        new Promise((_resolve, reject) => {
          signal.addEventListener('abort', () => {
            reject(signal.reason as Error);
          });
        }),
    );
    expect((await refused()).status).toBe(0);
    setPatience(30_000);
  });
});
