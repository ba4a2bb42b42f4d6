import { vi } from 'vitest';

export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

/** A stand-in for the server: answers each request by a function, and remembers what was asked. */
export function server(answer: (asked: Asked) => number | [number, unknown] | Promise<never>): Asked[] {
  const all: Asked[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url);
    const text = await request.text();
    const asked = {
      method: request.method,
      path: url.pathname + url.search,
      body: text === '' ? null : (JSON.parse(text) as unknown),
    };
    all.push(asked);
    const response = await answer(asked);
    const [status, body] = typeof response === 'number' ? [response, { stored: true, new: true }] : response;
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  });
  return all;
}

/** No reception. */
export const away = (): Promise<never> => Promise.reject(new TypeError('Failed to fetch'));
