/** What tabs announce to each other: that somebody signed out, or that somebody else signed in. */
export type TabEvent = 'signed-out' | 'other-person';

const CHANNEL = 'rung';

const isHere = (): boolean => typeof BroadcastChannel !== 'undefined';

export function tellTabs(event: TabEvent): void {
  if (!isHere()) return;
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage(event);
  channel.close();
}

/** @returns what ends the listening */
export function hearTabs(heard: (event: TabEvent) => void): () => void {
  if (!isHere()) return () => undefined;
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = (event: MessageEvent<TabEvent>) => heard(event.data);
  return () => channel.close();
}
