// @vitest-environment happy-dom
import fc from 'fast-check';
import { beforeEach, describe, expect, test, vi } from 'vitest';

import {
  forgetPerson,
  outbox,
  put,
  sendAll,
  sendingState,
  SENT,
  takeOut,
  tryAgain,
  type Waiting,
} from '../../web/phone/outbox';
import { keepPhone, type PhoneData } from '../../web/phone/plan';
import { emptyPhone, lay, namesOnDisk, onDisk } from './phoneStore';
import { away, server } from './server';

const ME = 'person-1';

const item = (id: string, more: Partial<Waiting> = {}): Waiting => ({
  id,
  person: ME,
  case: 'case-1',
  made_at: `2026-04-14T07:00:0${id.slice(-1)}+01:00`,
  what: 'morning',
  title: 'Morning',
  body: { at: '2026-04-14T07:00:00+01:00', provocation: 2, signs: [] },
  ...more,
});
const laid = async (...items: Waiting[]) => {
  for (const waiting of items) await lay(`wait:${waiting.what}${waiting.id}`, { version: 1, value: waiting });
};
const idsSent = () =>
  outbox()
    .filter((waiting) => waiting.sent === true)
    .map((waiting) => waiting.id);

beforeEach(emptyPhone);

describe('what was entered on the phone', () => {
  test('is sent oldest first, each under its own id and case', async () => {
    await laid(item('m3'), item('m1'), item('m2', { case: 'case-closed' }));
    const asked = server(() => 201);
    await sendAll(ME);
    expect(asked.map((request) => request.path)).toEqual([
      '/api/today/check-ins/m1?case=case-1',
      '/api/today/check-ins/m2?case=case-closed',
      '/api/today/check-ins/m3?case=case-1',
    ]);
    expect(idsSent()).toEqual(['m1', 'm2', 'm3']);
    await sendAll(ME);
    expect(asked).toHaveLength(3);
  });

  test.each([500, 403, 502])(
    'one that the server fails over with %i stands in nobody’s way and is tried again',
    async (status) => {
      let failing = true;
      await laid(
        item('m1'),
        item('m2', { body: { at: '2026-04-15T07:00:00+01:00', provocation: null, signs: ['swelling'] } }),
      );
      server(({ path }) => (failing && path.includes('m1') ? [status, { message: 'Server Error' }] : 201));
      await sendAll(ME);
      expect(idsSent()).toEqual(['m2']);
      expect(outbox().find((waiting) => waiting.id === 'm1')?.refused).toBeUndefined();
      failing = false;
      await sendAll(ME);
      expect(idsSent()).toEqual(['m1', 'm2']);
    },
  );

  test.each([401, 419, 429, 503])('where the answer is %i, all of it waits', async (status) => {
    await laid(item('m1'), item('m2'));
    const asked = server(() => [status, {}]);
    await sendAll(ME);
    expect(idsSent()).toEqual([]);
    expect(new Set(asked.filter((request) => request.method === 'PUT').map((request) => request.path))).toEqual(
      new Set(['/api/today/check-ins/m1?case=case-1']),
    );
  });

  test('without reception all of it waits, and goes when it comes back', async () => {
    await laid(item('m1'), item('m2'));
    server(away);
    await sendAll(ME);
    expect(outbox().map((waiting) => [waiting.sent, waiting.refused])).toEqual([
      [undefined, undefined],
      [undefined, undefined],
    ]);
    server(() => 201);
    await sendAll(ME);
    expect(idsSent()).toEqual(['m1', 'm2']);
  });

  test('what the server has read and will not take is shown with its reason, and can be sent again or thrown away', async () => {
    await laid(item('m1'), item('m2'));
    let sound = false;
    const asked = server(({ path }) =>
      !sound && path.includes('m1')
        ? [422, { message: 'no', errors: { provocation: ['The score must be from 0 to 10.'] } }]
        : 201,
    );
    await sendAll(ME);
    expect(outbox().map((waiting) => waiting.refused)).toEqual(['The score must be from 0 to 10.', undefined]);
    await sendAll(ME);
    expect(asked).toHaveLength(2);
    sound = true;
    const [first] = outbox();
    if (first === undefined) throw new Error('gone');
    await tryAgain(first);
    await vi.waitFor(() => {
      expect(idsSent()).toEqual(['m1', 'm2']);
    });
    await takeOut(first);
    expect(outbox().map((waiting) => waiting.id)).toEqual(['m2']);
  });

  test('the time of settling is not sent before the session itself has arrived', async () => {
    await laid(
      item('s1', {
        what: 'session',
        body: { planned: null, plan_version: 1, kind: 'loading', started_at: '', ended_at: '', signs: [], entries: [] },
      }),
      item('s1', { what: 'settled', made_at: '2026-04-14T09:00:00+01:00', body: { settled_min: 20 } }),
    );
    let failing = true;
    const asked = server(() => (failing ? [500, {}] : 201));
    await sendAll(ME);
    expect(asked.map((request) => request.method)).toEqual(['PUT']);
    failing = false;
    await sendAll(ME);
    expect(asked.map((request) => request.method)).toEqual(['PUT', 'PUT', 'PATCH']);
  });

  test('is never sent under another sign-in, and stays when another signs out', async () => {
    await laid(item('m1', { person: 'person-2' }), item('m2'));
    const asked = server(() => 201);
    await sendAll(ME);
    expect(asked.map((request) => request.path)).toEqual(['/api/today/check-ins/m2?case=case-1']);
    await lay('plan', { version: 1, value: null });
    await forgetPerson(ME);
    expect(outbox().map((waiting) => waiting.id)).toEqual(['m1']);
    expect(await namesOnDisk()).toEqual(['wait:morningm1']);
  });

  test('is put by at once; a full phone sends it directly, and says where it can do neither', async () => {
    server(away);
    expect(await put(item('m1'))).toBe('kept');
    expect(outbox()).toHaveLength(1);
    await sendAll(ME);
    expect(await namesOnDisk()).toEqual(['wait:morningm1']);
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await put(item('m2'))).toEqual({ lost: expect.stringMatching(/no room left.*reception/) as string });
    const asked = server(() => 201);
    let heard = 0;
    window.addEventListener(
      SENT,
      () => {
        heard += 1;
      },
      { once: true },
    );
    expect(await put(item('m2'))).toBe('sent');
    expect(asked.map((request) => request.path)).toEqual(['/api/today/check-ins/m2?case=case-1']);
    expect(heard).toBe(1);
    server(() => [422, { message: 'no', errors: { at: ['The date must be today.'] } }]);
    expect(await put(item('m2'))).toEqual({ lost: 'The date must be today.' });
    // Nothing is counted on that is not on the disk.
    expect(outbox().map((waiting) => waiting.id)).toEqual(['m1']);
  });

  test.each([
    [401, 'signed_out'],
    [503, 'failing'],
    [500, 'failing'],
    [0, 'away'],
    [201, 'idle'],
  ] as const)('how sending stands after %i is %s', async (status, stands) => {
    await laid(item('m1'));
    server(status === 0 ? away : () => (status === 201 ? 201 : [status, {}]));
    await sendAll(ME);
    expect(sendingState()).toBe(stands);
  });

  test('put in while the last is on its way is sent after it', async () => {
    const asked = server(async () => {
      await Promise.resolve();
      return 201 as never;
    });
    void put(item('m1'));
    void put(item('m2'));
    await vi.waitFor(() => {
      expect(idsSent()).toEqual(['m1', 'm2']);
    });
    expect(asked).toHaveLength(2);
  });

  test('what this version cannot read is set aside and not lost', async () => {
    await laid(item('m1'));
    await lay('wait:morningm2', { version: 1, value: { id: 7 } });
    await lay('wait:morningm3', { version: 0, value: 'no JSON' });
    await lay('wait:morningm4', { version: 99, value: item('m4') });
    expect(outbox().map((waiting) => waiting.id)).toEqual(['m1']);
    await vi.waitFor(async () => {
      expect(await namesOnDisk()).toEqual([
        'aside:wait:morningm2',
        'aside:wait:morningm3',
        'aside:wait:morningm4',
        'wait:morningm1',
      ]);
    });
    expect(await onDisk('aside:wait:morningm3')).toEqual({ version: 0, value: 'no JSON' });
  });

  test('what the first version kept is sent for whoever the plan of its case is for, and waits until that is known', async () => {
    const stop = item('m1', { body: { at: '2026-04-14T07:00:00+01:00', provocation: null, signs: ['swelling'] } });
    for (const waiting of [stop, item('m2', { case: 'case-2' })])
      await lay(`wait:${waiting.what}${waiting.id}`, { version: 0, value: { ...waiting, person: undefined } });
    const asked = server(() => 201);
    await sendAll(ME);
    expect(asked).toHaveLength(0);
    expect(outbox().map((waiting) => waiting.id)).toEqual(['m1', 'm2']);
    await keepPhone({
      person: ME,
      practice: {},
      cases: [{ case: 'case-1', person: ME, today: '2026-04-14', sessions: [], days: [] }],
      closed: [],
    } as unknown as PhoneData);
    await sendAll(ME);
    expect(idsSent()).toEqual(['m1']);
    expect(outbox().find((waiting) => waiting.id === 'm1')?.person).toBe(ME);
    await forgetPerson(ME);
    expect(
      outbox().map((waiting) => waiting.id),
      'another’s answer stays for them',
    ).toEqual(['m2']);
  });

  test('two tabs that send at the same time send each thing once', async () => {
    let last: Promise<unknown> = Promise.resolve();
    const locks = { request: (_: string, work: () => Promise<unknown>) => (last = last.then(work)) };
    vi.spyOn(navigator, 'locks', 'get').mockReturnValue(locks as never);
    // The other tab does not hear in time what this one has done: it reads before it sends.
    vi.stubGlobal('BroadcastChannel', undefined);
    vi.resetModules();
    await laid(item('m1'), item('m2'), item('m3'));
    const other = await import('../../web/phone/outbox');
    await (await import('../../web/phone/store')).openStore();
    expect(other.outbox()).toHaveLength(3);
    const asked = server(() => 201);
    await Promise.all([sendAll(ME), other.sendAll(ME)]);
    expect(asked.map((request) => request.path)).toEqual(
      ['m1', 'm2', 'm3'].map((id) => `/api/today/check-ins/${id}?case=case-1`),
    );
  });

  test('the screens hear when something was taken', async () => {
    const heard = vi.fn();
    window.addEventListener(SENT, heard);
    await laid(item('m1'));
    server(() => 201);
    await sendAll(ME);
    window.removeEventListener(SENT, heard);
    expect(heard).toHaveBeenCalledTimes(1);
  });

  test('whatever the server answers, each item is sent, refused or still waits, and none is lost', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom(200, 201, 401, 403, 404, 419, 422, 429, 500, 503, 0), { minLength: 1, maxLength: 9 }),
        async (answers) => {
          await emptyPhone();
          await laid(...answers.map((_, i) => item(`m${i}`)));
          server(({ path }) => {
            if (path === '/api/session') return [200, { user: null }];
            const answer = answers[Number(/m(\d)/.exec(path)?.[1])] ?? 201;
            return answer === 0 ? away() : [answer, answer < 300 ? { stored: true, new: true } : { message: 'told' }];
          });
          for (let i = 0; i < 3; i++) await sendAll(ME);
          const ends = answers.findIndex((answer) => [0, 401, 419, 429, 503].includes(answer));
          const reached = ends === -1 ? answers.length : ends;
          expect(
            outbox().map((waiting) =>
              waiting.sent === true ? 'sent' : waiting.refused !== undefined ? 'refused' : 'waits',
            ),
          ).toEqual(
            answers.map((answer, i) =>
              i >= reached ? 'waits' : answer < 300 ? 'sent' : answer === 404 || answer === 422 ? 'refused' : 'waits',
            ),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});
