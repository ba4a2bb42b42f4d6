import type { AudioClock } from './pacer';
import type { Tone } from './timeline';

/** Hertz, seconds and loudness of each tone. */
const TONES: Record<Tone, [number, number, number]> = {
  count: [520, 0.07, 0.5],
  go: [880, 0.16, 0.7],
  lift: [784, 0.09, 0.6],
  hold: [587, 0.07, 0.4],
  lower: [440, 0.09, 0.6],
  pause: [330, 0.06, 0.35],
  last: [988, 0.05, 0.5],
  beat: [1200, 0.03, 0.3],
  end: [660, 0.35, 0.7],
};

let context: AudioContext | null = null;

/** Whether sound has come since it was asked for last: some browsers take a moment, and that is no interruption. */
let heard = false;

/** The page's own audio context; made at a press, since browsers ask for one. */
export function audio(): AudioContext {
  if (context === null) {
    const made = new AudioContext();
    made.onstatechange = () => {
      if (made.state === 'running') heard = true;
    };
    context = made;
  }
  heard = context.state === 'running';
  if (!heard) void context.resume();
  return context;
}

/** Whether sound was taken away from the page: a call, another application. */
export const isInterrupted = (): boolean => context !== null && heard && context.state !== 'running';

export function audioClock(loud: boolean): AudioClock {
  const at = audio();
  const out = at.createGain();
  out.gain.value = loud ? 1 : 0;
  out.connect(at.destination);
  let asked: OscillatorNode[] = [];
  return {
    now: () => at.currentTime,
    loud: (on) => {
      out.gain.value = on ? 1 : 0;
    },
    play: (tone, when) => {
      const [hertz, seconds, loudness] = TONES[tone];
      const source = at.createOscillator();
      const envelope = at.createGain();
      source.frequency.value = hertz;
      envelope.gain.setValueAtTime(0, when);
      envelope.gain.linearRampToValueAtTime(loudness, when + 0.005);
      envelope.gain.exponentialRampToValueAtTime(0.001, when + seconds);
      source.connect(envelope);
      envelope.connect(out);
      source.start(when);
      source.stop(when + seconds + 0.02);
      asked.push(source);
      source.onended = () => {
        asked = asked.filter((request) => request !== source);
      };
    },
    hush: () => {
      for (const source of asked) {
        source.onended = null;
        try {
          source.stop();
        } catch {
          /* it has not begun, and will not */
        }
        source.disconnect();
      }
      asked = [];
    },
  };
}
