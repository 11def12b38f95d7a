import {
  addDays,
  type IsoDate,
  isTaskOver,
  speakerFor,
  spoken,
  taskTitle,
  taskWhy,
} from '@fernbank/core';
import { and, eq, isNull } from 'drizzle-orm';
import ical from 'ical-generator';
import type { Db } from '../db/driver.ts';
import { plants, tasks } from '../db/schema.ts';
import { datesToPot } from './dayOfRepot.ts';
import { readSettings } from './settings.ts';

/** A whole day: the package reads it in UTC, so that it is the same day in every zone. */
const dayOf = (date: IsoDate): Date => new Date(`${date}T00:00:00Z`);
/** A name is one line, whatever was pasted into it. */
const inLine = (text: string): string => text.replace(/[\r\n]+/g, ' ');

/**
 * What is due, as a calendar that any program can read or subscribe to: open
 * tasks of aftercare and potting days, each a whole day, each with an id that
 * lasts, so that what moves moves in the calendar too.
 *
 * @source RFC 5545 (iCalendar), by the ical-generator package
 */
export function aftercareCalendar(db: Db, today: IsoDate, address: string): string {
  const { collectionName, units } = readSettings(db);
  const name = collectionName || 'Fernbank';
  const speaker = speakerFor(units);
  const calendar = ical({
    name: inLine(`${name}: aftercare`),
    prodId: { company: 'Fernbank', product: 'Fernbank', language: 'EN' },
  });
  const open = db
    .select({ task: tasks, plant: plants.name })
    .from(tasks)
    .innerJoin(plants, eq(tasks.plantId, plants.id))
    .where(and(isNull(tasks.done), isNull(plants.goneOn)))
    .all()
    .filter(({ task }) => !isTaskOver(task, today));
  for (const { task, plant } of open) {
    calendar.createEvent({
      id: `task-${task.id}@fernbank`,
      start: dayOf(task.due),
      end: dayOf(addDays(task.due, 1)),
      allDay: true,
      summary: inLine(`${plant}: ${spoken(taskTitle(task.words), speaker)}`),
      description: spoken(taskWhy(task.words), speaker).replace(/\r\n?/g, '\n'),
      url: `${address}/plants/${task.plantId}`,
      sequence: task.rev,
      stamp: new Date(task.updatedAt),
      lastModified: new Date(task.updatedAt),
    });
  }
  for (const { day, date, plants: count, minutes } of datesToPot(db, today)) {
    calendar.createEvent({
      id: `day-${day.id}-${date}@fernbank`,
      start: dayOf(date),
      end: dayOf(addDays(date, 1)),
      allDay: true,
      summary: `Potting day: ${count === 1 ? '1 plant' : `${count} plants`}, ${Math.round(minutes)} min`,
      url: `${address}/day/bench`,
      sequence: day.rev,
      stamp: new Date(day.updatedAt),
      lastModified: new Date(day.updatedAt),
    });
  }
  return calendar.toString();
}

/** A day that a keeper means to keep free. */
export interface ProposedDay {
  date: IsoDate;
  summary: string;
  text: string;
}

/** Days that were proposed, for the keeper's own calendar: put in once more they are the same entries. */
export function proposedCalendar(proposed: readonly ProposedDay[]): string {
  const calendar = ical({ prodId: { company: 'Fernbank', product: 'Fernbank', language: 'EN' } });
  for (const { date, summary, text } of proposed) {
    calendar.createEvent({
      id: `proposed-${date}@fernbank`,
      start: dayOf(date),
      end: dayOf(addDays(date, 1)),
      allDay: true,
      summary: inLine(summary),
      description: text.replace(/\r\n?/g, '\n'),
    });
  }
  return calendar.toString();
}
