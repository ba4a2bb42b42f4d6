import { useEffect, useRef, useState } from 'react';

import { Pacer, type Watch } from './pacer';
import { audioClock, isInterrupted } from './sound';
import type { Timeline } from './timeline';

declare global {
  interface Window {
    /** Set by a test that measures: called for every sound that is scheduled. */
    rungWatch?: Watch;
  }
}

const ASK_EVERY = 60;

/** Runs a pacer: `draw` is called at every frame with the position and what is left of a count-in, `over` once at the end. */
export function usePacer(
  line: Timeline | null,
  loud: boolean,
  draw: (position: number, countIn: number) => void,
  over: () => void,
) {
  const [running, setRunning] = useState(false);
  const [interrupted, setInterrupted] = useState(false);
  const pacer = useRef<Pacer | null>(null);
  const calls = useRef({ draw, over });
  useEffect(() => {
    calls.current = { draw, over };
  });

  useEffect(
    () => () => {
      pacer.current?.pause();
    },
    [],
  );
  useEffect(() => {
    pacer.current?.loud(loud);
  }, [loud]);

  useEffect(() => {
    if (!running) return undefined;
    let frame = 0;
    const ask = () => {
      const now = pacer.current;
      if (now === null) return;
      if (isInterrupted()) {
        now.pause();
        setInterrupted(true);
        setRunning(false);
        return;
      }
      now.ask(document.hidden);
      if (now.isOver()) {
        now.end();
        setRunning(false);
        calls.current.over();
      }
    };
    const timer = setInterval(ask, ASK_EVERY);
    // Timers come rarely once the page is hidden: what is due soon is asked for before.
    document.addEventListener('visibilitychange', ask);
    const show = () => {
      if (pacer.current !== null) calls.current.draw(pacer.current.position(), pacer.current.countIn());
      frame = requestAnimationFrame(show);
    };
    frame = requestAnimationFrame(show);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', ask);
      cancelAnimationFrame(frame);
    };
  }, [running]);

  return {
    running,
    interrupted,
    start: () => {
      if (line === null) return;
      pacer.current ??= new Pacer(audioClock(loud), line, (sound) => window.rungWatch?.(sound));
      pacer.current.start();
      setInterrupted(false);
      setRunning(true);
    },
    pause: () => {
      pacer.current?.pause();
      setRunning(false);
    },
    position: () => pacer.current?.position() ?? 0,
  };
}

/** Keeps the screen awake while something is paced. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    const lock = (navigator as Partial<Navigator>).wakeLock;
    if (!on || lock === undefined) return undefined;
    let held: WakeLockSentinel | null = null;
    let gone = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      lock
        .request('screen')
        .then((sentinel) => {
          if (gone) void sentinel.release();
          else held = sentinel;
        })
        .catch(() => undefined);
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', take);
      void held?.release();
    };
  }, [on]);
}
