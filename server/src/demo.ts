import type { Grade, IsoDate, MeasurementKind, Seen, Signals, TrayLook } from '@fernbank/core';
import type { Db } from './db/driver.ts';

/** What a look at a plant of the demo would find, as a visit takes it. */
export interface FoundInDemo {
  signals: Signals;
  measurements: { kind: MeasurementKind; value: number }[];
}

/** … and one at a batch of the tray. */
export type FoundInTray = TrayLook & { lost: number };

/**
 * A garden made up for trying: its time goes on only when it is asked to, and what is true of its
 * plants is known to it alone.
 */
export interface Demo {
  /** the day on which its story begins */
  readonly begins: IsoDate;
  /** the day that it is there */
  day: IsoDate;
  /** what those who keep it do anyway between two days: they water, and weigh what they always weigh */
  tend(db: Db, from: IsoDate, to: IsoDate): void;
  /** @throws HttpError 404 when there is no such plant */
  look(db: Db, plantId: number, date: IsoDate): FoundInDemo;
  /** @throws HttpError 404 when there is no such batch, 422 when it is not begun */
  batch(db: Db, batchId: number, date: IsoDate): FoundInTray;
  /**
   * What is seen of a repot on a day.
   *
   * @throws HttpError 404 when there is no such repot, 422 when no question about it is open
   */
  outcome(db: Db, repotId: number, date: IsoDate): { grade: Grade; seen: Seen[] };
  /** Writes the garden as it is when its story begins. @param path  of a file that is not there */
  write(path: string): void;
}
