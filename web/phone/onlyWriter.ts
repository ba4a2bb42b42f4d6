import { useEffect, useRef, useState } from 'react';

export type Writer = 'asking' | 'mine' | 'elsewhere';

/**
 * Lets one tab at a time write something that several may show. Where another tab has it, this one waits for it and can
 * take it over; the other then hears that it is gone.
 *
 * @param taken called when this tab has become the one that writes
 */
export function useOnlyWriter(name: string, taken: () => void): { writer: Writer; take: () => void } {
  const [writer, setWriter] = useState<Writer>('asking');
  const heard = useRef(taken);
  useEffect(() => {
    heard.current = taken;
  });
  const [turn, setTurn] = useState(0);
  const steals = turn > 0;
  useEffect(() => {
    // Absent on pages that are not served securely; there the revision alone keeps the newer.
    const locks = navigator.locks as LockManager | null | undefined;
    if (locks == null) {
      queueMicrotask(() => {
        setWriter('mine');
      });
      return undefined;
    }
    let isGone = false;
    let release: () => void = () => undefined;
    const whole = new AbortController();
    const hold = (): Promise<void> => {
      if (isGone) return Promise.resolve();
      setWriter('mine');
      heard.current();
      return new Promise((go) => {
        release = go;
      });
    };
    const wait = (): Promise<void> => locks.request(name, { signal: whole.signal }, hold).catch(lost);
    const lost = () => {
      if (isGone) return;
      setWriter('elsewhere');
      void wait();
    };
    if (steals) {
      locks.request(name, { steal: true }, hold).catch(lost);
    } else {
      locks
        .request(name, { ifAvailable: true }, (lock) => (lock === null ? Promise.resolve('taken') : hold()))
        .then((how) => {
          if (how !== 'taken' || isGone) return;
          lost();
        })
        .catch(lost);
    }
    return () => {
      isGone = true;
      whole.abort();
      release();
    };
  }, [name, turn, steals]);
  return { writer, take: () => setTurn((before) => before + 1) };
}
