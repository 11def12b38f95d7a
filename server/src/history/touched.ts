import type { Db } from '../db/driver.ts';
import { versionOf } from '../db/version.ts';
import type { Journal } from './journal.ts';

/** What every plant's judgement rests on. */
const FOR_ALL = new Set(['*', 'spots', 'settings', 'components', 'recipes', 'recipe_versions']);

/** Plants of which something changed since it was last asked; `all` when anything may have. */
type Touched = Set<number> | 'all';

interface Followed {
  /** of the file, up to which `touched` is true */
  version: string;
  touched: Touched;
}
const followed = new WeakMap<Db, Followed>();

/**
 * Follows which plants are touched, so that a look at one does not have five thousand judged anew.
 * What is written past the journal, by another process or by the machine for itself, touches all.
 */
export function followTouched(journal: Journal): void {
  const { db } = journal.file;
  const state: Followed = { version: '', touched: 'all' };
  followed.set(db, state);
  let before = '';
  journal.onBegin(() => (before = versionOf(db)));
  journal.onEnd((done) => {
    if (before !== state.version) state.touched = 'all';
    state.version = versionOf(db);
    if (!done || state.touched === 'all') return;
    if (done.tables.some((table) => FOR_ALL.has(table))) state.touched = 'all';
    else for (const id of done.plantIds) state.touched.add(id);
  });
}

/** What was touched since the last call; from now on it is counted anew. */
export function takeTouched(db: Db): Touched {
  const version = versionOf(db);
  const state = followed.get(db);
  const touched = state?.version === version ? state.touched : 'all';
  const now = { version, touched: new Set<number>() };
  if (state) Object.assign(state, now);
  else followed.set(db, now);
  return touched;
}
