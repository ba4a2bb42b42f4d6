import { useSyncExternalStore } from 'react';

/*
 * What the phone keeps: the plan of the week, what waits to be sent, the session under way. Written at once and whole, so
 * that a closed tab or a crash loses nothing; other tabs are told by the browser itself.
 */
const PREFIX = 'rung:';
const CHANGED = 'rung:kept';

let full = false;

function told(): void {
  window.dispatchEvent(new Event(CHANGED));
}

/** @returns false where the phone has no room, which is told and not hidden */
export function keep(name: string, value: unknown): boolean {
  try {
    localStorage.setItem(PREFIX + name, JSON.stringify(value));
    full = false;
  } catch {
    full = true;
  }
  told();
  return !full;
}

export function forget(name: string): void {
  localStorage.removeItem(PREFIX + name);
  full = false;
  told();
}

// What is read was written by `keep` under the same name.
// eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters
export function kept<T>(name: string): T | null {
  const text = localStorage.getItem(PREFIX + name);
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}

/** The names of what is kept that begin with a word, in order. */
export const keptNames = (begin: string): string[] =>
  Object.keys(localStorage).filter((key) => key.startsWith(PREFIX + begin)).map((key) => key.slice(PREFIX.length)).sort();

/** Everything of a person, when they sign out. */
export function forgetAll(): void {
  for (const name of keptNames('')) if (name !== 'settings') localStorage.removeItem(PREFIX + name);
  full = false;
  told();
}

function subscribe(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  window.addEventListener('storage', changed);
  return () => {
    window.removeEventListener(CHANGED, changed);
    window.removeEventListener('storage', changed);
  };
}

/** What is kept under a name, as text, followed as it changes in this tab or another. */
// eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters
export function useKept<T>(name: string): T | null {
  const text = useSyncExternalStore(subscribe, () => localStorage.getItem(PREFIX + name));
  return text === null ? null : (JSON.parse(text) as T);
}

/** A digest of all that begins with a word, which changes when any of it does. */
export const useKeptDigest = (begin: string): string =>
  useSyncExternalStore(subscribe, () => keptNames(begin).map((name) => `${name}=${localStorage.getItem(PREFIX + name) ?? ''}`).join('\n'));

export const useIsFull = (): boolean => useSyncExternalStore(subscribe, () => full);
