import {
  ask,
  coverOption,
  dayOfLastRepot,
  firstQuestions,
  resolveTaxon,
  schoolsFollowed,
  SIGNALS,
  taxonOfGroup,
  decide,
  subjectAsked,
  type Asked,
  type IsoDate,
  type LastRepot,
  type LightClass,
  type MediumKind,
  type Signals,
} from '@fernbank/core';
import { computed } from 'vue';
import type { Offered, SpotRow } from '../api/types.ts';
import { isFree, offeredOptions } from './fitOptions.ts';
import { useDraft } from './useDraft.ts';
import { guessedHere } from './whereabouts.ts';
import { usePantry } from '../stores/pantry.ts';
import { useSettings } from '../stores/settings.ts';

const QUESTIONS = 3;

const blank = () => ({
  taxon: '',
  groupId: null as string | null,
  rimCm: null as number | null,
  remembered: null as LastRepot | null,
  /** the exact day, where that is known; it goes before what is remembered */
  lastRepot: '',
  mediumKind: null as MediumKind | null,
  spotId: null as number | null,
  light: null as LightClass | null,
  latitudeDeg: null as number | null,
  signals: {} as Signals,
});

/**
 * A plant in the hand, what was said of it so far, and what follows.
 *
 * @param house  its spots, and what shelf and other plants offer
 */
export function useAsked(house: () => { spots: readonly SpotRow[]; offered: Offered | null }) {
  const settings = useSettings();
  const store = usePantry();
  const { draft, clear } = useDraft('ask', blank);
  const guess = guessedHere();

  const taxon = computed(() => {
    const { taxon: name, groupId } = draft.value;
    return groupId ? taxonOfGroup(groupId, name) : resolveTaxon(name.trim());
  });
  /** Where it stands: a spot there is, the first until another is said; null: none yet. */
  const spotRow = computed(() => {
    const { spots } = house();
    return spots.find(({ id }) => id === draft.value.spotId) ?? spots[0] ?? null;
  });
  const spot = computed(
    () =>
      spotRow.value ?? {
        ...guess.spot,
        light: draft.value.light ?? guess.spot.light,
        latitudeDeg: draft.value.latitudeDeg ?? guess.spot.latitudeDeg,
      },
  );
  /** null: somebody said where it is */
  const guessedFrom = computed(() =>
    spotRow.value || draft.value.latitudeDeg !== null ? null : guess.from,
  );
  const today = computed((): IsoDate => settings.current.today);
  const lastRepot = computed(() => {
    const { lastRepot: day, remembered } = draft.value;
    if (day) return day;
    return remembered && dayOfLastRepot(remembered, today.value, spot.value.latitudeDeg);
  });
  const mediumKind = computed(() => draft.value.mediumKind ?? taxon.value?.traits.medium ?? null);

  /** As far as nothing was seen of it. */
  const unseen = computed((): Asked | null => {
    const { rimCm } = draft.value;
    if (!taxon.value || !rimCm || !mediumKind.value) return null;
    return {
      taxon: taxon.value,
      rimCm,
      potMaterial: 'plastic',
      mediumKind: mediumKind.value,
      lastRepot: lastRepot.value,
      signals: {},
      spot: spot.value,
      date: today.value,
      schools: schoolsFollowed(
        settings.current,
        {},
        settings.current.groupSchools[taxon.value.group],
      ),
    };
  });
  /** What is asked rests on what was known before: no question goes while it is answered. */
  const questions = computed(() => {
    if (!unseen.value) return [];
    const ids = firstQuestions(decide(subjectAsked(unseen.value).situation), QUESTIONS);
    return SIGNALS.filter(({ id }) => ids.includes(id));
  });
  /** Only what can be seen on the page counts: another kind may have been asked about before. */
  const asked = computed((): Asked | null => {
    if (!unseen.value) return null;
    const shown = new Set<string>(questions.value.map(({ id }) => id));
    const signals = Object.fromEntries(
      Object.entries(draft.value.signals).filter(([id]) => shown.has(id)),
    ) as Signals;
    return { ...unseen.value, signals };
  });
  const offers = computed(() => {
    const { offered } = house();
    if (!offered) return undefined;
    return {
      pots: offeredOptions(offered),
      covers: offered.covers.filter(isFree(offered)).map(coverOption),
      supports: offered.supports,
      headroomCm: spotRow.value?.headroomCm ?? null,
    };
  });
  const answer = computed(
    () => asked.value && ask(asked.value, store.pantry, offers.value, settings.current.scoopL),
  );
  return {
    draft,
    clear,
    guess,
    guessedFrom,
    taxon,
    spot,
    spotRow,
    mediumKind,
    asked,
    questions,
    answer,
  };
}
