import ICAL from 'ical.js';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testApp, type TestApp } from './testApp.ts';

let app: TestApp;
beforeEach(() => {
  app = testApp({ garden: true });
});
afterEach(() => app.close());

const open = async () =>
  (await app.call.get('/api/tasks?limit=1000')).body.items.filter(
    (task: { done: string | null }) => task.done === null,
  ) as { id: number; due: string; title: string; why: string; rev: number }[];
/** Read back by another parser than the one that wrote it. */
const events = async () => {
  const { text } = await app.call.get('/api/tasks/calendar.ics').buffer(true);
  return new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event));
};

describe('the calendar of aftercare (RFC 5545)', () => {
  it('is text/calendar, its lines end on CRLF and are folded at 75 octets', async () => {
    const answer = await app.call.get('/api/tasks/calendar.ics').buffer(true);
    expect(answer.headers['content-type']).toMatch(/^text\/calendar/);
    const lines = answer.text.split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    for (const line of lines) {
      expect(Buffer.byteLength(line, 'utf8')).toBeLessThanOrEqual(75);
      expect(line).not.toContain('\n');
    }
  });

  it('holds every open task on its whole day, with its reason, and no other', async () => {
    const tasks = await open();
    const told = await events();
    expect(tasks.length).toBeGreaterThan(3);
    expect(told).toHaveLength(tasks.length);
    for (const task of tasks) {
      const event = told.find(({ uid }) => uid === `task-${task.id}@fernbank`)!;
      expect(event.startDate.isDate).toBe(true);
      expect(event.startDate.toString()).toBe(task.due);
      expect(event.duration.toSeconds()).toBe(86_400);
      expect(event.summary).toContain(task.title);
      expect(event.description).toBe(task.why);
    }
  });

  it.each([
    'Europe/Berlin',
    'Africa/Cairo',
    'Asia/Kathmandu',
    'Pacific/Kiritimati',
    'Australia/Lord_Howe',
    'America/Los_Angeles',
  ])('holds every task on its own day in %s', async (zone) => {
    const home = process.env.TZ;
    process.env.TZ = zone;
    try {
      const due = new Map((await open()).map((task) => [`task-${task.id}@fernbank`, task.due]));
      const told = (await events()).filter(({ uid }) => due.has(uid));
      expect(told).toHaveLength(due.size);
      for (const event of told) expect(event.startDate.toString()).toBe(due.get(event.uid));
    } finally {
      if (home === undefined) delete process.env.TZ;
      else process.env.TZ = home;
    }
  });

  it('keeps a name in its line, whatever was pasted into it', async () => {
    const [task] = (await app.call.get('/api/tasks?limit=1000')).body.items as {
      plantId: number;
      done: string | null;
    }[];
    const name = 'Gangway\r\nDTSTART:19990101\r\nX';
    await app.call.patch(`/api/plants/${task!.plantId}`).send({ name });
    const { text } = await app.call.get('/api/tasks/calendar.ics').buffer(true);
    expect(text).not.toMatch(/^DTSTART:19990101/m);
  });

  it('a task that is done leaves it, and comes back under the same id with a higher sequence', async () => {
    const [task] = await open();
    const uid = `task-${task!.id}@fernbank`;
    const before = (await events()).find((event) => event.uid === uid)!;
    await app.call.patch(`/api/tasks/${task!.id}`).send({ done: '2026-03-16' });
    expect((await events()).some((event) => event.uid === uid)).toBe(false);
    await app.call.patch(`/api/tasks/${task!.id}`).send({ done: null });
    const again = (await events()).find((event) => event.uid === uid)!;
    expect(again.sequence).toBeGreaterThan(before.sequence);
  });

  it('commas, semicolons and line ends in a name survive', async () => {
    const [task] = await open();
    const { plantId } = (await app.call.get(`/api/tasks/${task!.id}`)).body;
    await app.call.patch(`/api/plants/${plantId}`).send({ name: 'Fern; the old, "green" one' });
    const told = (await events()).find(({ uid }) => uid === `task-${task!.id}@fernbank`)!;
    expect(told.summary).toContain('Fern; the old, "green" one');
  });
});
