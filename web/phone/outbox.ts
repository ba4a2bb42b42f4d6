import { useSyncExternalStore } from 'react';
import * as z from 'zod/mini';

import { api, Refusal, type Schemas, send } from '../api/client';
import { nowIso } from './moments';
import { withOwner } from './plan';
import { forget, forgetAll, keep, kept, keptNames, type Kind, readAgain, setAside } from './store';

const WHAT = ['session', 'settled', 'morning', 'correction', 'missed', 'message'] as const;
type What = (typeof WHAT)[number];

/** What an athlete writes to whoever treats them. */
export interface Writing {
  kind: 'question' | 'flare';
  words: string;
  /** Of a flare, 0–10. */
  pain: number | null;
}

/** Something that waits to be sent, each with an id of its own: sent twice, it is stored once. */
export interface Waiting {
  id: string;
  /** Who entered it, by id: never sent under another sign-in. */
  person: string;
  /** The case that it was entered for, which may be closed by the time it is sent. */
  case: string;
  /** When it was entered; what was entered first is sent first. */
  made_at: string;
  what: What;
  /** As people call it. */
  title: string;
  body:
    | Schemas['SessionLog']
    | { settled_min: number }
    | Schemas['CheckIn']
    | Schemas['Correction']
    | { why: string }
    | Writing;
  /** The planned session that it is, so that it is not asked for again. */
  planned?: string | null;
  /** Why the server would not take it. */
  refused?: string;
  /** Whether the server has it; it counts here until the plan on the phone includes it too. */
  sent?: boolean;
}

const NAME = 'wait:';

/** The body is the server's to read; here it is only kept whole. */
const WAITING: Kind<Waiting> = {
  version: 1,
  shape: z.looseObject({
    id: z.string(),
    person: z.string(),
    case: z.string(),
    made_at: z.string(),
    what: z.enum(WHAT),
    title: z.string(),
    body: z.custom<Waiting['body']>((body: unknown) => typeof body === 'object' && body !== null),
    planned: z.nullish(z.string()),
    refused: z.optional(z.string()),
    sent: z.optional(z.boolean()),
  }),
  migrate: withOwner,
};

export const outbox = (): Waiting[] =>
  keptNames(NAME)
    .map((name) => {
      const item = kept(name, WAITING);
      if (item === null) setAside(name);
      return item;
    })
    .filter((item) => item !== null)
    .sort((a, b) => a.made_at.localeCompare(b.made_at) || a.id.localeCompare(b.id));

/** What became of an entry: kept on the phone, sent at once because the phone has no room, or neither, with the reason. */
export type Putting = 'kept' | 'sent' | { lost: string };

const NO_ROOM = 'This phone has no room left to keep it, and it could not be sent now.';

/** Puts it into the outbox and tries to send at once. Where the phone has no room it is sent without being kept. */
export async function put(item: Waiting): Promise<Putting> {
  if (await keepItem(item)) {
    void sendAll(item.person);
    return 'kept';
  }
  try {
    await request(item);
    window.dispatchEvent(new Event(SENT));
    return 'sent';
  } catch (problem) {
    const lost =
      problem instanceof Refusal && problem.status === 422
        ? problem.message
        : `${NO_ROOM} Make room, or go where there is reception, then send it again.`;
    return { lost: lost };
  }
}

/** How sending stands: nothing on its way, on its way, no reception, the sign-in has run out, or the server cannot take it now. */
export type Sending = 'idle' | 'sending' | 'away' | 'signed_out' | 'failing';

let state: Sending = 'idle';
const STATE = 'rung:sending';

const nowSending = (next: Sending): void => {
  state = next;
  window.dispatchEvent(new Event(STATE));
};

export const sendingState = (): Sending => state;

export const useSendingState = (): Sending =>
  useSyncExternalStore((changed) => {
    window.addEventListener(STATE, changed);
    return () => window.removeEventListener(STATE, changed);
  }, sendingState);

const keepItem = (item: Waiting): Promise<boolean> => keep(NAME + item.what + item.id, WAITING, item);

/** Everything of a person leaves the phone; what waits under another sign-in stays for it. */
export async function forgetPerson(person: string): Promise<void> {
  const others = new Set(
    outbox()
      .filter((waiting) => waiting.person !== person)
      .map((waiting) => NAME + waiting.what + waiting.id),
  );
  await forgetAll((name) => !others.has(name));
}

export const takeOut = (item: Waiting): Promise<boolean> => forget(NAME + item.what + item.id);

/** Again, after it was refused. */
export async function tryAgain(item: Waiting): Promise<void> {
  const fresh = { ...item };
  delete fresh.refused;
  await keepItem(fresh);
  void sendAll(item.person);
}

/** Heard when something was taken, so that what is shown follows. */
export const SENT = 'rung:sent';

/** What this phone takes for now, so that a wrong clock can be put right. */
const clock = () => ({ headers: { 'X-Phone-Clock': nowIso() } });

function request(item: Waiting): Promise<unknown> {
  const params = { path: { id: item.id }, query: { case: item.case } };
  switch (item.what) {
    case 'session':
      return send(() =>
        api.PUT('/api/today/sessions/{id}', { params, body: item.body as Schemas['SessionLog'], ...clock() }),
      );
    case 'settled':
      return send(() => api.PATCH('/api/today/sessions/{id}', { params, body: item.body as { settled_min: number } }));
    case 'morning':
      return send(() =>
        api.PUT('/api/today/check-ins/{id}', { params, body: item.body as Schemas['CheckIn'], ...clock() }),
      );
    case 'correction':
      return send(() => api.PUT('/api/today/corrections/{id}', { params, body: item.body as Schemas['Correction'] }));
    case 'missed':
      return send(() => api.PUT('/api/today/planned/{id}', { params, body: item.body as { why: string } }));
    default:
      return send(() => api.PUT('/api/today/messages/{id}', { params, body: item.body as Writing }));
  }
}

let sending: Promise<void> | null = null;
/** How many times something was put in while sending was on its way. */
let asked = 0;

/**
 * Sends what waits of a person, oldest first, one at a time and from one tab. What the server would not take stays, with
 * its reason. Where there is no reception, or the sign-in has run out, all of it waits; where the server fails over one
 * item, that one waits and the others go on, so that a stop sign never stands behind it.
 */
export function sendAll(person: string): Promise<void> {
  // Something was put in while the last is on its way: once more after it.
  if (sending !== null) asked += 1;
  sending ??= sendInTurn(person).finally(() => {
    sending = null;
  });
  return sending;
}

async function sendInTurn(person: string): Promise<void> {
  let before: number;
  do {
    before = asked;
    nowSending('sending');
    await locked(async () => {
      // Another tab may have sent some of it until now.
      await readAgain();
      nowSending(await sendEach(person));
    });
  } while (asked !== before);
}

/** Answers that are about the connection or the sign-in, not about the item: nothing else would get through either. */
const CONCERNS_ALL: Readonly<Record<number, Sending>> = {
  0: 'away',
  401: 'signed_out',
  419: 'signed_out',
  429: 'failing',
  503: 'failing',
};

async function sendEach(person: string): Promise<Sending> {
  const stuck = new Set<string>();
  for (const item of outbox().filter(
    (waiting) => waiting.person === person && waiting.refused === undefined && waiting.sent !== true,
  )) {
    // The time of settling belongs to a session, which the server must have first.
    if (item.what === 'settled' && stuck.has(item.id)) continue;
    try {
      await request(item);
      await keepItem({ ...item, sent: true });
      window.dispatchEvent(new Event(SENT));
    } catch (problem) {
      const status = problem instanceof Refusal ? problem.status : 0;
      const forAll = CONCERNS_ALL[status];
      if (forAll !== undefined) return forAll;
      // Only what the server has read and will not take is refused; all else is tried again.
      if (status !== 422 && status !== 404) {
        stuck.add(item.id);
        continue;
      }
      await keepItem({ ...item, refused: problem instanceof Refusal ? problem.message : 'It could not be taken.' });
    }
  }
  return stuck.size > 0 ? 'failing' : 'idle';
}

async function locked(work: () => Promise<void>): Promise<void> {
  // Absent on pages that are not served securely; ids make a doubled sending harmless.
  const locks = navigator.locks as LockManager | null | undefined;
  if (locks == null) await work();
  else await locks.request('rung:send', work);
}
