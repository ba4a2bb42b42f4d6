import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { useMemo, useSyncExternalStore } from 'react';
import * as z from 'zod/mini';

/*
 * What the phone keeps: the plan of the week, what waits to be sent, the session under way. It is in IndexedDB, one record
 * for each thing, and all of it is held in memory too, so that a screen reads it at once. Writing begins with the tap; the
 * promise of `keep` resolves once it is on the disk. Other tabs are told, and read what has changed.
 */
interface Kept {
  version: number;
  value: unknown;
}

interface Phone extends DBSchema {
  kept: { key: string; value: Kept };
}

const DATABASE = 'rung';
const CHANGED = 'rung:kept';

/** Before it was in IndexedDB, it was in the local storage under names that began with this. */
const OLD_PREFIX = 'rung:';

/** A browser that does not open its database by then is one without room, not a blank screen. */
const PATIENCE_MS = 3000;

const asideOf = (name: string): string => `aside:${name}`;

const held = new Map<string, Kept>();

/** What is held though there was no room for it on the disk. */
const unwritten = new Set<string>();
let full = false;
let changes = 0;

function notify(): void {
  changes += 1;
  window.dispatchEvent(new Event(CHANGED));
}

let opened: Promise<IDBPDatabase<Phone>> | null = null;

function database(): Promise<IDBPDatabase<Phone>> {
  opened ??= openDB<Phone>(DATABASE, 1, {
    upgrade: (fresh) => {
      fresh.createObjectStore('kept');
    },
    terminated: () => {
      opened = null;
    },
  });
  // Should it fail, the next thing to be kept tries once more.
  opened.catch(() => {
    opened = null;
  });
  return opened;
}

/** Writes records, or takes away those that are null, all or none of them. @returns false where there is no room */
async function write(records: ReadonlyMap<string, Kept | null>): Promise<boolean> {
  try {
    const tx = (await database()).transaction('kept', 'readwrite', { durability: 'strict' });
    const done = [...records].map(([name, record]) =>
      record === null ? tx.store.delete(name) : tx.store.put(record, name),
    );
    // It needs no answer before it is final: a tab that is closed with the tap loses nothing.
    tx.commit();
    await Promise.all([...done, tx.done]);
    channel()?.postMessage(null);
    return true;
  } catch {
    return false;
  }
}

function hold(name: string, record: Kept | null): void {
  if (record === null) held.delete(name);
  else held.set(name, record);
}

/** @param isHeldAtOnce whether the screens see it before it is on the disk, and even where there is no room for it there */
async function change(records: ReadonlyMap<string, Kept | null>, isHeldAtOnce: boolean): Promise<boolean> {
  const holdAll = () => {
    for (const [name, record] of records) hold(name, record);
    notify();
  };
  if (isHeldAtOnce) holdAll();
  const isWritten = await write(records);
  full = !isWritten;
  for (const name of records.keys()) {
    if (isWritten || !isHeldAtOnce) unwritten.delete(name);
    else unwritten.add(name);
  }
  if (isWritten && !isHeldAtOnce) holdAll();
  else notify();
  return isWritten;
}

let heard: BroadcastChannel | null = null;

function channel(): BroadcastChannel | null {
  if (heard === null && typeof BroadcastChannel !== 'undefined') {
    heard = new BroadcastChannel(CHANGED);
    heard.onmessage = () => void readAgain();
  }
  return heard;
}

/** Reads what is on the disk, where another tab may have written. What is changed here meanwhile stays as it is here. */
export async function readAgain(): Promise<void> {
  const before = new Map(held);
  const there = new Map<string, Kept>();
  try {
    const { store } = (await database()).transaction('kept');
    const [names, records] = await Promise.all([store.getAllKeys(), store.getAll()]);
    for (const [i, record] of records.entries()) there.set(names[i] ?? '', record);
  } catch {
    return;
  }
  for (const name of new Set([...before.keys(), ...there.keys()])) {
    if (held.get(name) !== before.get(name) || unwritten.has(name)) continue;
    const record = there.get(name);
    if (record === undefined) held.delete(name);
    // The same thing stays the same object, so that no screen is drawn again for it.
    else if (JSON.stringify(record) !== JSON.stringify(held.get(name))) held.set(name, record);
  }
  notify();
}

const Envelope = z.object({ version: z.number(), value: z.unknown() });

/** A record of what the local storage held as text: before there were versions, the value stood by itself. */
function fromText(text: string): Kept {
  try {
    const value: unknown = JSON.parse(text);
    return Envelope.safeParse(value).data ?? { version: 0, value };
  } catch {
    return { version: 0, value: text };
  }
}

/**
 * Moves what an earlier release left in the local storage. It is taken from there only once it is on the disk here, and what
 * is here already is newer: the older is set aside.
 */
async function moveOver(): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(OLD_PREFIX));
  if (keys.length === 0) return;
  const old = new Map(
    keys.map((key) => {
      const name = key.slice(OLD_PREFIX.length);
      return [held.has(name) ? asideOf(name) : name, fromText(localStorage.getItem(key) ?? '')] as const;
    }),
  );
  if (await change(old, true)) for (const key of keys) localStorage.removeItem(key);
}

let ready: Promise<void> | null = null;

/** Reads all that the phone keeps. To be waited for once, before the first screen; it fails never. */
export function openStore(): Promise<void> {
  ready ??= Promise.race([
    readAgain().then(moveOver),
    new Promise<void>((go) => {
      setTimeout(go, PATIENCE_MS);
    }),
  ]).catch(() => undefined);
  channel();
  return ready;
}

/** A kind of thing that is kept: its shape, the version of that shape, and how an older one is made into it. */
export interface Kind<T> {
  version: number;
  shape: z.ZodMiniType<T>;
  migrate?: (value: unknown, version: number) => unknown;
  /**
   * Whether the screens see it before it is on the disk, and for as long as the page is open where there is no room for it.
   * What is to be counted on, such as an answer that waits to be sent, is seen only once it is there.
   */
  isHeldAtOnce?: true;
}

/** @returns false where the phone has no room, which the screen must say */
export const keep = <T>(name: string, kind: Kind<T>, value: T): Promise<boolean> =>
  change(new Map([[name, { version: kind.version, value }]]), kind.isHeldAtOnce === true);

export const forget = (name: string): Promise<boolean> => change(new Map([[name, null]]), true);

/** What is kept under a name; null where nothing is, or nothing that this version can read. */
export const kept = <T>(name: string, kind: Kind<T>): T | null => read(held.get(name), kind);

function read<T>(record: Kept | undefined, kind: Kind<T>): T | null {
  if (record === undefined) return null;
  try {
    const fresh = record.version === kind.version ? record.value : kind.migrate?.(record.value, record.version);
    return kind.shape.safeParse(fresh).data ?? null;
  } catch {
    return null;
  }
}

/** The names of what is kept that begin with a word, in order. */
export const keptNames = (begin: string): string[] => [...held.keys()].filter((name) => name.startsWith(begin)).sort();

/** Puts what this version cannot read out of the way, so that it is asked for no more and not lost either. */
export function setAside(name: string): void {
  const record = held.get(name);
  if (record === undefined) return;
  const aside = asideOf(name);
  held.delete(name);
  held.set(aside, record);
  void write(
    new Map([
      [name, null],
      [aside, record],
    ]),
  );
}

/** Everything of a person, when they sign out: the plan, the session under way and what they entered. */
export const forgetAll = (belongs: (name: string) => boolean): Promise<boolean> =>
  change(
    new Map(
      keptNames('')
        .filter((name) => name !== 'settings' && belongs(name))
        .map((name) => [name, null]),
    ),
    true,
  );

function subscribe(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  return () => window.removeEventListener(CHANGED, changed);
}

/** What is kept under a name, followed as it changes in this tab or another. */
export function useKept<T>(name: string, kind: Kind<T>): T | null {
  const record = useSyncExternalStore(subscribe, () => held.get(name));
  return useMemo(() => read(record, kind), [record, kind]);
}

/** A number that changes with anything that is kept. */
export const useKeptChanges = (): number => useSyncExternalStore(subscribe, () => changes);

export const useIsFull = (): boolean => useSyncExternalStore(subscribe, () => full);
