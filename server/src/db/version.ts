import { stateOf, type Db } from './driver.ts';

/** Changes with every written row: by this connection, and by any other. */
export function versionOf(db: Db): string {
  const state = stateOf(db);
  return `${state.written()}.${state.foreign()}`;
}
