import { api, Refusal, type Schemas, send } from '../api/client';
import { nowIso } from './moments';
import { forget, keep, kept, keptNames } from './store';

/** Something that waits to be sent, each with an id of its own: sent twice, it is stored once. */
export interface Waiting {
  id: string;
  /** The case that it belongs to: never sent under another sign-in. */
  case: string;
  /** When it was entered; what was entered first is sent first. */
  made_at: string;
  what: 'session' | 'settled' | 'morning';
  /** As people call it. */
  title: string;
  body: Schemas['SessionLog'] | { settled_min: number } | Schemas['CheckIn'];
  /** The planned session that it is, so that it is not asked for again. */
  planned?: string | null;
  /** Why the server would not take it. */
  refused?: string;
  /** Whether the server has it; it counts here until the plan on the phone tells of it too. */
  sent?: boolean;
}

const NAME = 'wait:';

export const outbox = (): Waiting[] => keptNames(NAME)
  .map((name) => kept<Waiting>(name))
  .filter((one): one is Waiting => one !== null)
  .sort((a, b) => a.made_at.localeCompare(b.made_at) || a.id.localeCompare(b.id));

/** Puts it into the outbox and tries to send at once. @returns false where the phone has no room */
export function put(item: Waiting): boolean {
  const stored = keep(NAME + item.what + item.id, item);
  void sendAll(item.case);
  return stored;
}

export const takeOut = (item: Waiting): void => forget(NAME + item.what + item.id);

/** Again, after it was refused. */
export function tryAgain(item: Waiting): void {
  const fresh = { ...item };
  delete fresh.refused;
  keep(NAME + item.what + item.id, fresh);
  void sendAll(item.case);
}

/** Heard when something was taken, so that what is shown follows. */
export const SENT = 'rung:sent';

/** What this phone takes for now, so that a wrong clock can be put right. */
const clock = () => ({ headers: { 'X-Phone-Clock': nowIso() } });

function request(item: Waiting): Promise<unknown> {
  const params = { path: { id: item.id } };
  if (item.what === 'session') return send(() => api.PUT('/api/today/sessions/{id}', { params, body: item.body as Schemas['SessionLog'], ...clock() }));
  if (item.what === 'settled') return send(() => api.PATCH('/api/today/sessions/{id}', { params, body: item.body as { settled_min: number } }));
  return send(() => api.PUT('/api/today/check-ins/{id}', { params, body: item.body as Schemas['CheckIn'], ...clock() }));
}

let sending = false;
let asked = false;

/**
 * Sends what waits, oldest first, one at a time and from one tab. What the server would not take stays, with its reason;
 * where there is no reception, or the sign-in has run out, all of it waits.
 */
export async function sendAll(caseId: string): Promise<void> {
  if (sending) {
    // Something was put in while the last is on its way: once more after it.
    asked = true;
    return;
  }
  sending = true;
  try {
    await locked(() => sendEach(caseId));
  } finally {
    sending = false;
  }
  if (asked) {
    asked = false;
    await sendAll(caseId);
  }
}

async function sendEach(caseId: string): Promise<void> {
  for (const item of outbox().filter((one) => one.case === caseId && one.refused === undefined && one.sent !== true)) {
    try {
      await request(item);
      keep(NAME + item.what + item.id, { ...item, sent: true });
      window.dispatchEvent(new Event(SENT));
    } catch (problem) {
      const status = problem instanceof Refusal ? problem.status : 0;
      // Only what the server has read and will not take is refused; all else is tried again.
      if (status !== 422 && status !== 404) return;
      keep(NAME + item.what + item.id, { ...item, refused: problem instanceof Refusal ? problem.message : 'It could not be taken.' });
    }
  }
}

async function locked(work: () => Promise<void>): Promise<void> {
  // Absent on pages that are not served securely; ids make a doubled sending harmless.
  const locks = (navigator as Partial<Navigator>).locks;
  if (locks === undefined) await work();
  else await locks.request('rung:send', work);
}
