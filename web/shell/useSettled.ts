import { useEffect, useState } from 'react';

const PAUSE = 200;

/** A value as it was when nothing changed it for a moment, so that not every key press asks the server. */
export function useSettled<T>(value: T, pause: number = PAUSE): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), pause);
    return () => clearTimeout(timer);
  }, [value, pause]);
  return settled;
}
