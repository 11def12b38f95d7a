const FEW = 3;
const listed = (names: readonly string[]) => new Intl.ListFormat('en').format(names);

/** Texts of feed: what was given, and how long it lasts. */
export const feed = {
  title: (names: readonly string[]) =>
    names.length > FEW ? `Feed ${names.length} plants` : `Feed ${listed(names)}`,
  isMany: (names: readonly string[]) => names.length > FEW,
  what: 'What was given?',
  liquid: 'liquid, with a watering',
  slow: 'slow-release, laid in',
  lasts: 'It lasts',
  months: 'months',
  byLabel: 'as its label says',
  monthsMissing: 'How many months does it last?',
  caution: 'Half strength or weaker, on damp mix, and never above the label’s rate.',
  saved: (names: readonly string[], day: string) =>
    names.length === 1
      ? `${names[0]} was fed on ${day}.`
      : `${names.length > FEW ? `${names.length} plants` : listed(names)} were fed on ${day}.`,
  given: 'Feed…',
  row: 'Feed',
  unknown: 'nothing noted since its last repot',
  none: 'none: it lives without',
  until: (day: string) => `slow-release, until about ${day}`,
  usedUp: (day: string) => `slow-release, used up since about ${day}`,
  liquidOn: (day: string) => `liquid, last on ${day}`,
  lasting: (label: string, months: number) =>
    `${label} for ${months === 1 ? 'a month' : `${months} months`}`,
};
