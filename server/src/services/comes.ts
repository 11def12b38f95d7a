import { addDays, isTaskOver, type IsoDate } from '@fernbank/core';
import { and, eq, gt, isNull } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { days, plants, tasks } from '../db/schema.ts';
import { readable } from '../db/readable.ts';
import { judgeAll } from './judging.ts';
import { trayOn } from './tray.ts';

/** What lies farther ahead is nothing to wait for, days. */
const FAR_DAYS = 366;

/** The next day after one on which something falls due: a task, a look, a pot, a potting day, a batch of the tray. */
export function nextThatComes(db: Db, today: IsoDate): IsoDate | null {
  const due = db
    .select({ task: tasks })
    .from(tasks)
    .innerJoin(plants, eq(tasks.plantId, plants.id))
    .where(and(isNull(tasks.done), isNull(plants.goneOn), gt(tasks.due, today)))
    .all()
    .filter(({ task }) => !isTaskOver(task, task.due))
    .map(({ task }) => task.due);
  const judged = judgeAll(db, today).flatMap(({ decision, lookDue, overrule }) => [
    // Of what is to be done now no look is planned.
    decision.lookAgain && lookDue.date,
    decision.window?.from,
    decision.window?.best,
    overrule?.until,
  ]);
  const potting = readable(db, days).flatMap(({ dates }) => dates.map(({ date }) => date));
  const tray = trayOn(db).map(({ lookOn }) => lookOn);
  const [next] = [...due, ...judged, ...potting, ...tray]
    .filter((date): date is IsoDate => date != null && date > today)
    .sort();
  return next !== undefined && next <= addDays(today, FAR_DAYS) ? next : null;
}
