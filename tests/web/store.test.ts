// @vitest-environment happy-dom
import { openDB } from 'idb';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import * as z from 'zod/mini';

import { forget, keep, kept, keptNames, type Kind, readAgain } from '../../web/phone/store';
import { emptyPhone, lay, namesOnDisk, onDisk } from './phoneStore';

interface Note {
  words: string;
  times: number;
}

const OLD: Kind<{ text: string }> = { version: 1, shape: z.object({ text: z.string() }) };
const NOTE: Kind<Note> = {
  version: 2,
  shape: z.object({ words: z.string(), times: z.number() }),
  migrate: (value, version) => (version === 1 ? { words: (value as { text: string }).text, times: 1 } : undefined),
};
/** Such as a session under way, whose screen goes on with every tap. */
const STEP: Kind<Note> = { ...NOTE, isHeldAtOnce: true };
const knee = { words: 'knee', times: 3 };

/** The page as another tab, or the same one after a reload, has it. */
async function anotherPage(): Promise<typeof import('../../web/phone/store')> {
  vi.resetModules();
  const store = await import('../../web/phone/store');
  await store.openStore();
  return store;
}

const noRoom = () =>
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });

beforeEach(emptyPhone);

describe('what the phone keeps', () => {
  test('is there when it is on the disk, and again after a reload', async () => {
    expect(kept('note', NOTE)).toBeNull();
    const written = keep('note', NOTE, knee);
    expect(kept('note', NOTE), 'nobody counts on what is not on the disk yet').toBeNull();
    expect(await written).toBe(true);
    expect(kept('note', NOTE)).toEqual(knee);
    expect(await onDisk('note')).toEqual({ version: 2, value: knee });
    expect((await anotherPage()).kept('note', NOTE)).toEqual(knee);
    await forget('note');
    expect(await namesOnDisk()).toEqual([]);
  });

  test('of an older shape is made into the new one', async () => {
    await keep('note', OLD, { text: 'knee' });
    expect(kept('note', NOTE)).toEqual({ words: 'knee', times: 1 });
  });

  test.each([
    ['another shape', { version: 2, value: { words: 4 } }],
    ['a version to come', { version: 3, value: { words: 'x', times: 1 } }],
    ['a time before versions', { version: 0, value: { words: 'x' } }],
    ['text', { version: 0, value: '{{' }],
    ['nothing', { version: 2, value: null }],
    ['a list', { version: 2, value: [] }],
  ])('is nothing where it is %s', async (_, record) => {
    await lay('note', record);
    expect(kept('note', NOTE)).toBeNull();
  });

  test('is the last of what was put in, however fast', async () => {
    await Promise.all([1, 2, 3, 4, 5].map((times) => keep('note', NOTE, { words: 'knee', times })));
    expect(await onDisk('note')).toEqual({ version: 2, value: { words: 'knee', times: 5 } });
  });

  test('is seen in every tab, and what one tab enters while it looks is not lost', async () => {
    const other = await anotherPage();
    await other.keep('note', NOTE, knee);
    await vi.waitFor(() => {
      expect(kept('note', NOTE)).toEqual(knee);
    });
    const looking = readAgain();
    const written = keep('note', STEP, { words: 'hip', times: 1 });
    expect(kept('note', NOTE)).toEqual({ words: 'hip', times: 1 });
    await looking;
    expect(kept('note', NOTE)).toEqual({ words: 'hip', times: 1 });
    await written;
    await vi.waitFor(() => {
      expect(other.kept('note', NOTE)).toEqual({ words: 'hip', times: 1 });
    });
  });
});

describe('a phone without room', () => {
  test('says so, holds what it had, and goes on once there is room', async () => {
    await keep('note', NOTE, knee);
    const full = noRoom();
    expect(await keep('note', NOTE, { words: 'hip', times: 1 })).toBe(false);
    expect(kept('note', NOTE)).toEqual(knee);
    expect(await keep('other', NOTE, knee)).toBe(false);
    expect(keptNames('')).toEqual(['note']);
    full.mockRestore();
    expect(await keep('note', NOTE, { words: 'hip', times: 1 })).toBe(true);
  });

  test('has its settings and the session under way for as long as the page is open', async () => {
    noRoom();
    expect(await keep('settings', STEP, knee)).toBe(false);
    await readAgain();
    expect(kept('settings', NOTE)).toEqual(knee);
    expect(await namesOnDisk()).toEqual([]);
  });

  test('that has no database at all opens all the same', async () => {
    vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('private', 'InvalidStateError');
    });
    const page = await anotherPage();
    expect(page.kept('note', NOTE)).toBeNull();
    expect(await page.keep('note', NOTE, knee)).toBe(false);
    vi.restoreAllMocks();
    expect(await page.keep('note', NOTE, knee), 'and tries again').toBe(true);
  });
});

describe('what an earlier release kept in the local storage', () => {
  test('is moved over whole, readable or not, and only then taken from there', async () => {
    localStorage.setItem('rung:note', JSON.stringify({ version: 1, value: { text: 'knee' } }));
    localStorage.setItem('rung:wait:morningm1', '{"id":"m1"}');
    localStorage.setItem('rung:wait:morningm2', 'no JSON');
    localStorage.setItem('else', 'not ours');
    const full = noRoom();
    expect((await anotherPage()).kept('note', NOTE), 'it is shown without room too').toEqual({
      words: 'knee',
      times: 1,
    });
    expect(localStorage).toHaveLength(4);
    expect(await namesOnDisk()).toEqual([]);
    full.mockRestore();
    expect((await anotherPage()).kept('note', NOTE)).toEqual({ words: 'knee', times: 1 });
    expect(Object.keys(localStorage)).toEqual(['else']);
    const disk = await openDB('rung');
    expect(await disk.getAll('kept')).toEqual([
      { version: 1, value: { text: 'knee' } },
      { version: 0, value: { id: 'm1' } },
      { version: 0, value: 'no JSON' },
    ]);
    disk.close();
  });

  test('never takes the place of what was kept since', async () => {
    await lay('note', { version: 2, value: knee });
    localStorage.setItem('rung:note', JSON.stringify({ version: 1, value: { text: 'old' } }));
    expect((await anotherPage()).kept('note', NOTE)).toEqual(knee);
    expect(await onDisk('aside:note')).toEqual({ version: 1, value: { text: 'old' } });
    expect(localStorage).toHaveLength(0);
  });
});
