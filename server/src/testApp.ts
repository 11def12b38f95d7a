import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { IsoDate } from '@fernbank/core';
import { pino } from 'pino';
import request from 'supertest';
import { fillGarden } from '../../demo/fill.ts';
import { createApp } from './app.ts';
import type { OpenFile } from './db/driver.ts';
import { openCollection } from './db/open.ts';
import { photoFolderOf } from './place.ts';

/** An application on a collection of its own, on a day that stands still. */
export interface TestApp {
  call: ReturnType<typeof request>;
  file: OpenFile;
  path: string;
  close(): void;
}

export const TODAY: IsoDate = '2026-03-16';

export function testApp(options: { garden?: boolean; today?: IsoDate } = {}): TestApp {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-'));
  const path = join(folder, 'collection.sqlite');
  const file = openCollection(path);
  const today = options.today ?? TODAY;
  if (options.garden) fillGarden(file.db, today);
  const app = createApp(
    { db: file.db, today: () => today, version: 'test', photoFolder: photoFolderOf(path) },
    pino({ level: 'silent' }),
  );
  return {
    call: request(app),
    file,
    path,
    close: () => {
      file.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

export const ROUND_POT = {
  shape: 'round',
  topDiameterCm: 14,
  baseDiameterCm: 10,
  heightCm: 12,
} as const;
