/** What one tab tells the others: that somebody signed out, or that somebody else signed in. */
export type Told = 'signed-out' | 'other-person';

const CHANNEL = 'rung';

const isHere = (): boolean => typeof BroadcastChannel !== 'undefined';

export function tellTabs(told: Told): void {
  if (!isHere()) return;
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage(told);
  channel.close();
}

/** @returns what ends the listening */
export function hearTabs(heard: (told: Told) => void): () => void {
  if (!isHere()) return () => undefined;
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = (event: MessageEvent<Told>) => heard(event.data);
  return () => channel.close();
}
