import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import request from 'supertest';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { logged } from './app.ts';
import { logBeside, openLog } from './logging.ts';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), '.fernbank-log-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

it('lies beside the collection, for the keeper’s eyes alone, and names nobody’s way in', async () => {
  const path = logBeside(join(folder, 'collection.sqlite'));
  expect(path).toBe(join(folder, 'collection.log'));
  const logger = openLog(path, 'info', () => undefined);
  const app = express();
  app.use(logged(logger));
  app.get('/api/calendar', (_request, response) => {
    response.cookie('session', 'let-me-in-too').json({});
  });
  await request(app)
    .get('/api/calendar?key=let-me-in&day=1')
    .set('Cookie', 'session=let-me-in')
    .set('Authorization', 'Bearer let-me-in');
  const written = await vi.waitFor(() => {
    const text = readFileSync(path, 'utf8');
    expect(text).toContain('request completed');
    return text;
  });
  expect(written).not.toContain('let-me-in');
  expect(JSON.parse(written)).toMatchObject({
    req: { method: 'GET', url: '/api/calendar?key=…&day=1' },
    res: { statusCode: 200 },
  });
  expect(statSync(path).mode & 0o077).toBe(0);
});

it('that cannot be written is told once, and stops nothing', async () => {
  const faults: string[] = [];
  const logger = openLog('/proc/no-such-place.log', 'info', ({ message }) => faults.push(message));
  logger.info('one');
  logger.info('two');
  await vi.waitFor(() => expect(faults).toHaveLength(1));
});
