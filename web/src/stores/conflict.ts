import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '../api/client.ts';

/** A field that stands differently here and there. */
export interface Difference {
  field: string;
  mine: unknown;
  theirs: unknown;
}
interface Conflict {
  differences: Difference[];
  rev: number;
  body: Record<string, unknown>;
  settle: (answer: { body: object; rev: number } | null) => void;
}

/** Two devices changed the same row: both versions, for the keeper to choose from. */
export const useConflict = defineStore('conflict', () => {
  const open = ref<Conflict | null>(null);

  /**
   * Lays what was to be saved beside what is there now. Where it is known what the keeper began
   * from, only what both changed is asked about; what one alone changed stands.
   *
   * @returns what is to be saved instead, or null when it is let go of or cannot be compared
   */
  async function ask(
    path: string,
    typed: object,
    base: object | null = null,
  ): Promise<{ body: object; rev: number } | null> {
    const there = (await api(path).catch(() => null)) as Record<string, unknown> | null;
    if (!there || typeof there.rev !== 'number') return null;
    const { rev } = there;
    const began = base as Record<string, unknown> | null;
    const mine = Object.fromEntries(
      Object.entries(typed).map(([field, value]) => {
        const untouched = began && field in there && alike(value, began[field]);
        return [field, untouched ? there[field] : value];
      }),
    );
    const differences = Object.entries(mine)
      .filter(([field, value]) => field in there && !alike(value, there[field]))
      .filter(([field]) => !began || !alike(began[field], there[field]))
      .map(([field, value]) => ({ field, mine: value, theirs: there[field] }));
    // What was changed there says nothing against what is saved here.
    if (differences.length === 0) return { body: mine, rev };
    return new Promise((settle) => {
      open.value = { differences, rev, body: mine, settle };
    });
  }

  /** Saves with the keeper's choice, field by field; null lets go of all that was typed. */
  function choose(mine: Record<string, boolean> | null): void {
    const conflict = open.value;
    open.value = null;
    if (!conflict) return;
    if (!mine) return conflict.settle(null);
    const { body, differences, rev } = conflict;
    const theirs = differences.filter(({ field }) => !mine[field]);
    const chosen = Object.fromEntries(theirs.map((one) => [one.field, one.theirs]));
    conflict.settle({ body: { ...body, ...chosen }, rev });
  }
  return { open, ask, choose };
});

/** JSON alike, whatever the order of its fields. */
function alike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) =>
    alike((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  );
}
