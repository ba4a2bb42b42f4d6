import 'fake-indexeddb/auto';

import { openDB } from 'idb';

import { openStore, readAgain } from '../../web/phone/store';

const database = () =>
  openDB('rung', 1, {
    upgrade: (fresh) => {
      fresh.createObjectStore('kept');
    },
  });

/** A phone on which nothing is kept yet. */
export async function emptyPhone(): Promise<void> {
  localStorage.clear();
  await openStore();
  const disk = await database();
  await disk.clear('kept');
  disk.close();
  await readAgain();
}

/** Puts a record on the disk behind the page's back, as another tab or an earlier release would have: what is undefined is not there. */
export async function lay(name: string, record: unknown): Promise<void> {
  const disk = await database();
  await disk.put('kept', JSON.parse(JSON.stringify(record)), name);
  disk.close();
  await readAgain();
}

/** What is on the disk, not what the page holds. */
export async function onDisk(name: string): Promise<unknown> {
  const disk = await database();
  const record: unknown = await disk.get('kept', name);
  disk.close();
  return record;
}

export async function namesOnDisk(): Promise<string[]> {
  const disk = await database();
  const names = await disk.getAllKeys('kept');
  disk.close();
  return names.map(String);
}
