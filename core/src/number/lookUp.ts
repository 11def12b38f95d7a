/** A row of a table by a word that somebody typed: `constructor` is no row of any. */
export const lookUp = <T>(table: Readonly<Record<string, T>>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined;
