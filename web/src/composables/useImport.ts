import { fieldsOf, GROUPS, LENGTH_UNITS, MASS_UNITS, type ColumnUse } from '@fernbank/core';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api, ApiError, wordsFor, write } from '../api/client.ts';
import type { Mapping, Preview, ReadFile } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { saveAs } from './saveAs.ts';
import { guessedHere } from './whereabouts.ts';

/** A preview follows what is turned, not every key that is pressed. */
const SETTLE_MS = 250;

/** A file that is being brought in: read, its columns told, its rows judged, and written as one. */
export function useImport() {
  const file = ref<File | null>(null);
  const read = ref<ReadFile | null>(null);
  const mapping = ref<Mapping | null>(null);
  const preview = ref<Preview | null>(null);
  const fault = ref('');
  const busy = ref(false);
  const judging = ref(false);
  const done = ref<{ add: number; update: number } | null>(null);

  async function choose(chosen: File, encoding?: string): Promise<void> {
    fault.value = '';
    busy.value = true;
    done.value = null;
    const before = encoding ? mapping.value : null;
    try {
      const got = await sendFile(chosen, encoding);
      file.value = chosen;
      read.value = got;
      preview.value = null;
      const fits = before?.columns.length === got.headings.length;
      mapping.value = fits ? before : startOf(got);
    } catch (error) {
      fault.value = wordsFor(error);
      if (!encoding) read.value = null;
    } finally {
      busy.value = false;
    }
  }

  /** Another kind of file has other fields: they are guessed anew from the headings that fit. */
  function changeKind(kind: Mapping['kind']): void {
    if (!mapping.value || !read.value) return;
    const known = new Set(fieldsOf(kind).map(({ id }) => id));
    const columns = mapping.value.columns.map((use): ColumnUse =>
      use.field && known.has(use.field) ? use : { field: null },
    );
    mapping.value = { ...mapping.value, kind, columns };
  }

  /** A field has one column; another that had it is left out. Only the note takes many. */
  function changeColumn(at: number, use: ColumnUse): void {
    if (!mapping.value) return;
    const columns = mapping.value.columns.map((one, i): ColumnUse => {
      if (i === at) return withDefaults(use, mapping.value!.kind);
      return use.field !== null && use.field !== 'note' && one.field === use.field
        ? { field: null }
        : one;
    });
    mapping.value = { ...mapping.value, columns };
  }

  let latest = 0;
  const judge = useDebounceFn(async () => {
    if (!read.value || !mapping.value) return;
    const mine = ++latest;
    judging.value = true;
    fault.value = '';
    try {
      const got = await held((token) =>
        api(`/imports/${token}/preview`, { method: 'POST', body: mapping.value }),
      );
      if (mine === latest) preview.value = got;
    } catch (error) {
      if (mine === latest) fault.value = wordsFor(error);
    } finally {
      if (mine === latest) judging.value = false;
    }
  }, SETTLE_MS);
  watch(mapping, judge, { deep: true });

  /** @returns the deed that it became; null when it was refused */
  async function run(): Promise<number | null> {
    busy.value = true;
    fault.value = '';
    try {
      const { answer, deed } = await held((token) =>
        write(`/imports/${token}/run`, {
          method: 'POST',
          body: mapping.value,
        }),
      );
      done.value = answer.counts;
      return deed;
    } catch (error) {
      fault.value = wordsFor(error);
      return null;
    } finally {
      busy.value = false;
    }
  }

  /** The server holds a file for an hour; after that it is sent once more by itself. */
  async function held<T>(call: (token: string) => Promise<T>): Promise<T> {
    try {
      return await call(read.value!.token);
    } catch (error) {
      if (!(error instanceof ApiError && error.code === 'notHeld' && file.value)) throw error;
      read.value = await sendFile(file.value, read.value!.encoding);
      return call(read.value.token);
    }
  }

  async function refusedCsv(): Promise<void> {
    const response = await fetch(`/api/imports/${read.value!.token}/refused.csv`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(mapping.value),
    });
    if (!response.ok) throw new ApiError(m.error.network, response.status, 'network');
    saveAs(await response.blob(), 'refused.csv');
  }

  const rowsToWrite = computed(
    () => (preview.value?.counts.add ?? 0) + (preview.value?.counts.update ?? 0),
  );
  return {
    read,
    mapping,
    preview,
    fault,
    busy,
    judging,
    done,
    rowsToWrite,
    choose,
    changeKind,
    changeColumn,
    run,
    refusedCsv,
    again: (encoding: string) => choose(file.value!, encoding),
  };
}

function startOf({ guess, remembered }: ReadFile): Mapping {
  // Spots that are made lie where those are that there are; where there is none yet, here.
  const latitudeDeg = guessedHere().spot.latitudeDeg;
  if (remembered) return { ...remembered, latitudeDeg: remembered.latitudeDeg ?? latitudeDeg };
  const { kind, decimal, columns } = guess;
  return {
    kind,
    decimal,
    columns,
    same: 'skip',
    groups: {},
    elseGroup: null,
    spotId: null,
    latitudeDeg,
    newSpots: {},
    potCm: null,
    medium: null,
  };
}

/** Units and orders go with what a column means. */
function withDefaults(use: ColumnUse, kind: Mapping['kind']): ColumnUse {
  const of = fieldsOf(kind).find(({ id }) => id === use.field)?.kind;
  if (of === 'length')
    return { field: use.field, unit: use.unit && use.unit in LENGTH_UNITS ? use.unit : 'cm' };
  if (of === 'mass')
    return { field: use.field, unit: use.unit && use.unit in MASS_UNITS ? use.unit : 'kg' };
  if (of === 'date') return { field: use.field, order: use.order ?? 'dmy' };
  return { field: use.field };
}

const sendFile = (file: File, encoding?: string) =>
  api(encoding ? `/imports?encoding=${encoding}` : '/imports', {
    method: 'POST',
    body: file,
    type: 'text/csv',
  });

export const GROUP_ITEMS = GROUPS.map(({ id: value, label: title }) => ({ value, title }));
