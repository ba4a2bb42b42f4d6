/** What a force gauge sends: when, in milliseconds since it began, and the force in its own unit. */
export interface Frame {
  ms: number;
  force: number;
}

/** Takes frames as they come; a gauge may send several at once. */
export type Listener = (frames: readonly Frame[]) => void;

/** A force gauge. The simulated one ships with Rung; one on a serial port sends the same frames. */
export interface Gauge {
  readonly name: string;
  readonly unit: 'N' | 'kg' | 'lb';
  /** Asks for the device where that is needed; refused or unplugged, it rejects with words for the person. */
  open: () => Promise<void>;
  /** Frames go to the listener from now on, counted from 0. */
  start: (listener: Listener) => void;
  stop: () => void;
  close: () => Promise<void>;
}
