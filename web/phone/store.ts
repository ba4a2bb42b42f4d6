import { useMemo, useSyncExternalStore } from 'react';
import * as z from 'zod/mini';

/*
 * What the phone keeps: the plan of the week, what waits to be sent, the session under way. Written at once and whole, so
 * that a closed tab or a crash loses nothing. The browser itself notifies other tabs.
 */
const PREFIX = 'rung:';
const CHANGED = 'rung:kept';

let full = false;

function notify(): void {
  window.dispatchEvent(new Event(CHANGED));
}

/** A kind of thing that is kept: its shape, the version of that shape, and how an older one is made into it. */
export interface Kind<T> {
  version: number;
  shape: z.ZodMiniType<T>;
  migrate?: (value: unknown, version: number) => unknown;
}

const Envelope = z.object({ version: z.number(), value: z.unknown() });

/** @returns false where the phone has no room, which the screen must say */
export function keep<T>(name: string, kind: Kind<T>, value: T): boolean {
  try {
    localStorage.setItem(PREFIX + name, JSON.stringify({ version: kind.version, value }));
    full = false;
  } catch {
    full = true;
  }
  notify();
  return !full;
}

export function forget(name: string): void {
  localStorage.removeItem(PREFIX + name);
  full = false;
  notify();
}

/** What is kept under a name; null where nothing is, or nothing that this version can read. */
export const kept = <T>(name: string, kind: Kind<T>): T | null => read(localStorage.getItem(PREFIX + name), kind);

function read<T>(text: string | null, kind: Kind<T>): T | null {
  if (text === null) return null;
  try {
    const raw: unknown = JSON.parse(text);
    // Before there were versions, the value stood by itself.
    const { version, value } = Envelope.safeParse(raw).data ?? { version: 0, value: raw };
    const fresh = version === kind.version ? value : kind.migrate?.(value, version);
    return kind.shape.safeParse(fresh).data ?? null;
  } catch {
    return null;
  }
}

/** The names of what is kept that begin with a word, in order. */
export const keptNames = (begin: string): string[] =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith(PREFIX + begin))
    .map((key) => key.slice(PREFIX.length))
    .sort();

/** Puts what this version cannot read out of the way, so that it is asked for no more and not lost either. */
export function setAside(name: string): void {
  const text = localStorage.getItem(PREFIX + name);
  if (text === null) return;
  localStorage.removeItem(PREFIX + name);
  localStorage.setItem(`${PREFIX}aside:${name}`, text);
}

/** Everything of a person, when they sign out: the plan, the session under way and what they entered. */
export function forgetAll(belongs: (name: string) => boolean): void {
  for (const name of keptNames('')) if (name !== 'settings' && belongs(name)) localStorage.removeItem(PREFIX + name);
  full = false;
  notify();
}

function subscribe(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  window.addEventListener('storage', changed);
  return () => {
    window.removeEventListener(CHANGED, changed);
    window.removeEventListener('storage', changed);
  };
}

/** What is kept under a name, followed as it changes in this tab or another. */
export function useKept<T>(name: string, kind: Kind<T>): T | null {
  const text = useSyncExternalStore(subscribe, () => localStorage.getItem(PREFIX + name));
  return useMemo(() => read(text, kind), [text, kind]);
}

/** A digest of all that begins with a word, which changes when any of it does. */
export const useKeptDigest = (begin: string): string =>
  useSyncExternalStore(subscribe, () =>
    keptNames(begin)
      .map((name) => `${name}=${localStorage.getItem(PREFIX + name) ?? ''}`)
      .join('\n'),
  );

export const useIsFull = (): boolean => useSyncExternalStore(subscribe, () => full);
