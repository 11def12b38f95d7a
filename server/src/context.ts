import type { IsoDate } from '@fernbank/core';
import type { Request } from 'express';
import type { Db } from './db/driver.ts';
import { invalid } from './http/errors.ts';

/** What routes need of the world around them. */
export interface Context {
  db: Db;
  /** the keeper's calendar day; a fixed one in tests */
  today(): IsoDate;
  version: string;
}

/** A day of the record cannot lie ahead. */
export function notAhead(context: Context, field: string, date: IsoDate): IsoDate {
  const today = context.today();
  if (date > today) {
    throw invalid(field, `${field} must not be in the future (today is ${today}), got ${date}`);
  }
  return date;
}

/** The optional `?date=` of a view, today when absent. */
export function asOf(context: Context, request: Request): IsoDate {
  const { date } = request.query;
  return typeof date === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(date) ? date : context.today();
}
