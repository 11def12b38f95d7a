import { optionsOf, type School } from '@fernbank/core';

/** What answers a question, to be chosen from; `none` in words where a choice of one's own may be absent. */
export function schoolItems(id: School, none?: string) {
  const options = Object.entries(optionsOf(id)).map(([value, { label, costs }]) => ({
    value,
    title: label,
    // On a phone a price is longer than a line.
    props: { subtitle: costs, lines: 'two' },
  }));
  return none === undefined ? options : [{ value: null, title: none }, ...options];
}
