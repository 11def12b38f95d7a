import type { IsoDate } from '@fernbank/core';
import type { Request } from 'express';
import Joi from 'joi';
import type { Db } from './db/driver.ts';
import type { Journal } from './history/journal.ts';
import { invalid } from './http/errors.ts';
import { isoDate } from './http/fields.ts';
import { check } from './http/validate.ts';

/** What routes need of the world around them. */
export interface Context {
  db: Db;
  /** what every write goes through */
  journal: Journal;
  /** the keeper's calendar day; a fixed one in tests */
  today(): IsoDate;
  version: string;
  /** where pictures lie: beside the database */
  photoFolder: string;
}

/** A day of the record cannot lie ahead. */
export function notAhead(context: Context, field: string, date: IsoDate): IsoDate {
  const today = context.today();
  if (date > today) {
    throw invalid(field, `${field} must not be in the future (today is ${today}), got ${date}`);
  }
  return date;
}

export const dayQuery = Joi.object<{ date?: IsoDate }>({ date: isoDate() });

/** The optional `?date=` of a view, today when absent. @throws HttpError 400 when it is no day */
export function asOf(context: Context, request: Request): IsoDate {
  const { date } = request.query;
  return check(dayQuery, { date }).date ?? context.today();
}
