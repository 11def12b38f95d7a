import { simulatedScale, weightInLine, type ScaleReading } from '@fernbank/core';

/** A bench scale, whichever it is: it streams what it shows until it is stopped. */
export interface Scale {
  start(onReading: (reading: ScaleReading) => void): Promise<void>;
  tare(): void;
  stop(): Promise<void>;
}

const EVERY_MS = 120;

/** The stand-in: a pot of about `kg` is put on it after a moment. */
export function benchStandIn(kg: number, seed = Math.floor(Math.random() * 1e9)): Scale {
  const scale = simulatedScale(seed);
  let timer: ReturnType<typeof setInterval> | undefined;
  const now = () => performance.now();
  return {
    async start(onReading) {
      setTimeout(() => scale.put(kg, now()), 700);
      timer = setInterval(() => onReading(scale.read(now())), EVERY_MS);
    },
    tare: () => scale.tare(now()),
    stop: async () => clearInterval(timer),
  };
}

/** The few calls of the browser's serial ports that are used; the DOM's own types do not have them. */
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readable: ReadableStream<Uint8Array>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}
const serial = () => (navigator as Navigator & { serial?: Serial }).serial;
export const hasSerial = () => typeof navigator !== 'undefined' && serial() !== undefined;

const BAUD_RATE = 9600;

/** A scale on the browser's serial port that sends lines of text with a weight in them. */
export function serialScale(): Scale {
  let port: SerialPort | null = null;
  let reader: ReadableStreamDefaultReader<string> | null = null;
  let zero = 0;
  let last = 0;
  return {
    async start(onReading) {
      port = await serial()!.requestPort();
      await port.open({ baudRate: BAUD_RATE });
      const decoder = new TextDecoderStream();
      void port.readable
        .pipeTo(decoder.writable as WritableStream<Uint8Array>)
        .catch(() => undefined);
      reader = decoder.readable.getReader();
      void pump(reader, (line) => {
        const kg = weightInLine(line);
        if (kg === null) return;
        last = kg;
        onReading({ at: performance.now(), kg: kg - zero });
      });
    },
    tare: () => {
      zero = last;
    },
    async stop() {
      await reader?.cancel().catch(() => undefined);
      await port?.close().catch(() => undefined);
    },
  };
}

async function pump(
  reader: ReadableStreamDefaultReader<string>,
  onLine: (line: string) => void,
): Promise<void> {
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    const lines = (rest + value).split(/[\r\n]+/);
    rest = lines.pop() ?? '';
    for (const text of lines) onLine(text);
  }
}
