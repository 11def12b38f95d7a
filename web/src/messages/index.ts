import { en } from './en.ts';

/** The message catalogue in use. */
export const m = en;
