import type { Frame, Gauge, Listener } from './gauge';

const HERTZ = 80;
/** Frames are sent in packets, as a device over the air does. */
const PACKET_MS = 50;

export interface Pull {
  /** The highest force in newtons. */
  peak: number;
  /** Seconds from the start to the pull, and how long it lasts. */
  after: number;
  lasts: number;
}

/** A made-up contraction at a moment in seconds: quick to rise, slowly tiring, let go in a fifth of a second. */
export function contraction(pull: Pull, t: number): number {
  const into = t - pull.after;
  if (into <= 0) return 0;
  const risen = pull.peak * (1 - Math.exp(-into / 0.18)) * (1 - 0.012 * Math.min(into, pull.lasts));
  return into <= pull.lasts ? risen : risen * Math.max(0, 1 - (into - pull.lasts) / 0.2);
}

/** Noise of one and a half newtons, the same for the same seed. */
export function noise(seed: number): () => number {
  let state = seed >>> 0;
  const next = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  return () => 1.5 * (next() + next() - 1);
}

/** A stand-in for a dynamometer: 80 frames a second with noise, a zero that is off and drifts, and a pull that is made up. */
export class SimulatedGauge implements Gauge {
  readonly name = 'Simulated gauge';
  readonly unit = 'N';
  private timer: ReturnType<typeof setInterval> | null = null;

  /** @param pull what the made-up person does */
  constructor(
    private readonly pull: Pull = { peak: 300, after: 0.8, lasts: 3.2 },
    private readonly seed = 1,
    private readonly now: () => number = () => performance.now(),
  ) {}

  open = (): Promise<void> => Promise.resolve();

  start = (listener: Listener): void => {
    this.stop();
    const began = this.now();
    const jitter = noise(this.seed);
    // No two pulls are alike: each seed pulls a little more or less.
    const pull = { ...this.pull, peak: this.pull.peak * (1 + 0.02 * jitter()) };
    let sent = 0;
    this.timer = setInterval(() => {
      const until = Math.floor(((this.now() - began) / 1000) * HERTZ);
      const frames: Frame[] = [];
      for (; sent <= until; sent++) {
        const t = sent / HERTZ;
        frames.push({ ms: 1000 * t, force: Math.round(10 * (6 + 0.2 * t + contraction(pull, t) + jitter())) / 10 });
      }
      if (frames.length > 0) listener(frames);
    }, PACKET_MS);
  };

  stop = (): void => {
    if (this.timer !== null) clearInterval(this.timer);
    this.timer = null;
  };

  close = (): Promise<void> => {
    this.stop();
    return Promise.resolve();
  };
}
