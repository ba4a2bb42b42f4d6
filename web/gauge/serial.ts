import type { Frame, Gauge, Listener } from './gauge';

/** What this adapter needs of a serial port of the browser. */
export interface Port {
  open: (options: { baudRate: number }) => Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  close: () => Promise<void>;
}

interface Ports {
  requestPort: () => Promise<Port>;
}

const BAUD = 115_200;

/** Whether the browser can reach a gauge on a serial port. */
export const serialPorts = (): Ports | null => (navigator as Navigator & { serial?: Ports }).serial ?? null;

/** Lines of "milliseconds,force" out of pieces of text; what is no such line is passed over. */
export function lines(): (piece: string) => Frame[] {
  let rest = '';
  return (piece) => {
    const parts = (rest + piece).split(/\r?\n/);
    rest = parts.pop() ?? '';
    return parts.flatMap((line) => {
      const found = /^\s*(\d+(?:\.\d+)?)\s*,\s*(-?\d+(?:\.\d+)?)\s*$/.exec(line);
      return found === null ? [] : [{ ms: Number(found[1]), force: Number(found[2]) }];
    });
  };
}

/** A gauge on a serial port, which writes a line "milliseconds,newtons" for each sample. */
export class SerialGauge implements Gauge {
  readonly name = 'Gauge on a cable';
  readonly unit = 'N';
  private port: Port | null = null;
  private listener: Listener | null = null;
  private zero: number | null = null;
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;

  constructor(private readonly ports: Ports) {}

  open = async (): Promise<void> => {
    if (this.port !== null) return;
    try {
      this.port = await this.ports.requestPort();
      await this.port.open({ baudRate: BAUD });
    } catch {
      this.port = null;
      throw new Error(
        'No gauge was chosen, or it could not be opened. Plug it in and try again, or type what it shows.',
      );
    }
    void this.read();
  };

  start = (listener: Listener): void => {
    this.zero = null;
    this.listener = listener;
  };

  stop = (): void => {
    this.listener = null;
  };

  close = async (): Promise<void> => {
    this.stop();
    await this.reader?.cancel();
    await this.port?.close();
    this.port = null;
  };

  /** Reads as long as the port is open, and passes on what comes between start and stop. */
  private async read(): Promise<void> {
    this.reader = this.port?.readable?.getReader() ?? null;
    const text = new TextDecoder();
    const split = lines();
    for (;;) {
      const piece = await this.reader?.read().catch(() => ({ done: true, value: undefined }));
      if (piece === undefined || piece.done || piece.value === undefined) break;
      const frames = split(text.decode(piece.value, { stream: true }));
      const first = frames[0];
      if (this.listener === null || first === undefined) continue;
      this.zero ??= first.ms;
      const zero = this.zero;
      this.listener(frames.map((frame) => ({ ms: frame.ms - zero, force: frame.force })));
    }
    this.reader?.releaseLock();
    this.reader = null;
  }
}
