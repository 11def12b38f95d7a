import { simulatedPen, type PenReading } from '@fernbank/core';

/** A pH and EC pen, whichever it is: it streams what it shows until it is stopped. */
export interface Pen {
  start(onReading: (reading: PenReading) => void): void;
  calibrate(): void;
  stop(): void;
}

const EVERY_MS = 250;
const DIPPED_AFTER_MS = 600;

/** The stand-in: dipped after a moment into a solution of about this pH and strength. */
export function penStandIn(
  into: { ph: number; msPerCm: number },
  seed = Math.floor(Math.random() * 1e9),
): Pen {
  const pen = simulatedPen(seed);
  let timer: ReturnType<typeof setInterval> | undefined;
  let dip: ReturnType<typeof setTimeout> | undefined;
  const now = () => performance.now();
  return {
    start(onReading) {
      dip = setTimeout(() => pen.dip(into, now()), DIPPED_AFTER_MS);
      timer = setInterval(() => onReading(pen.read(now())), EVERY_MS);
    },
    calibrate: () => pen.calibrate(now()),
    stop: () => {
      clearInterval(timer);
      clearTimeout(dip);
    },
  };
}
