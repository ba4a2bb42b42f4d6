import { COUNT_IN_S, type Timeline, type Tone } from './timeline';

/** The clock that sound is played by, in seconds, and a tone at a moment of it. */
export interface AudioClock {
  now: () => number;
  play: (tone: Tone, at: number) => void;
  /** Takes back what was asked for and has not sounded yet. */
  hush: () => void;
  /** With sound, or silent from now on. */
  loud: (on: boolean) => void;
}

/** Told of every sound as it is asked for: when it is due and for when it was asked, by the audio clock. */
export type Watch = (sound: { tone: Tone; due: number; asked: number; now: number }) => void;

/** Sounds are asked for so long before they are due, in seconds: longer than a timer is ever late. */
const AHEAD_S = 0.3;

/** The same while the page is hidden, where timers come once a second. */
const AHEAD_HIDDEN_S = 2.5;

/** Between the press and the beginning, so that the first sound is not late. */
const LEAD_S = 0.12;

/**
 * Paces one set by the audio clock. Sounds are asked for ahead of time at their exact moment; where the mark stands is read
 * off the same clock at every frame, so the two cannot drift apart however late a timer or a frame is.
 */
export class Pacer {
  private startedAt: number | null = null;
  private pausedAt = 0;
  private next = 0;

  constructor(
    private readonly clock: AudioClock,
    readonly line: Timeline,
    private readonly watch?: Watch,
  ) {}

  /** Seconds from the beginning of the set. */
  position(): number {
    return this.startedAt === null ? this.pausedAt : Math.max(this.pausedAt, this.clock.now() - this.startedAt);
  }

  /** Seconds of the count-in after a pause that are left; 0 where the set is going. */
  countIn(): number {
    return this.startedAt === null || this.pausedAt === 0
      ? 0
      : Math.max(0, this.startedAt + this.pausedAt - this.clock.now());
  }

  loud(on: boolean): void {
    this.clock.loud(on);
  }

  isRunning(): boolean {
    return this.startedAt !== null;
  }

  isOver(): boolean {
    return this.position() >= this.line.length;
  }

  start(): void {
    if (this.startedAt !== null) return;
    // Broken off in the count-in, it is counted in again; later, it goes on where it was after a count of its own.
    if (this.pausedAt <= COUNT_IN_S) this.pausedAt = 0;
    const from = this.pausedAt;
    const begin = this.clock.now() + LEAD_S + (from === 0 ? 0 : COUNT_IN_S);
    for (let left = from === 0 ? 0 : COUNT_IN_S; left >= 1; left--) this.clock.play('count', begin - left);
    this.startedAt = begin - from;
    this.next = this.line.sounds.findIndex((sound) => sound.at >= from - 1e-6);
    if (this.next < 0) this.next = this.line.sounds.length;
    this.ask(false);
  }

  pause(): void {
    if (this.startedAt === null) return;
    this.pausedAt = Math.min(this.position(), this.line.length);
    this.startedAt = null;
    this.clock.hush();
  }

  /** The set has come to its end: what is sounding is heard out. */
  end(): void {
    this.pausedAt = Math.min(this.position(), this.line.length);
    this.startedAt = null;
  }

  /** Asks for the sounds that are due soon; called often. */
  ask(hidden: boolean): void {
    if (this.startedAt === null) return;
    const until = this.clock.now() - this.startedAt + (hidden ? AHEAD_HIDDEN_S : AHEAD_S);
    for (
      let sound = this.line.sounds[this.next];
      sound !== undefined && sound.at <= until;
      sound = this.line.sounds[++this.next]
    ) {
      const due = this.startedAt + sound.at;
      const now = this.clock.now();
      const asked = Math.max(due, now);
      this.clock.play(sound.tone, asked);
      this.watch?.({ tone: sound.tone, due, asked, now });
    }
  }
}
