import type { Headline } from './headline.ts';

/** What the mark of a plant says: the keeper's own word goes before every verdict. */
export type VerdictWord = Headline | 'overruled';

interface Marked {
  headline: Headline;
  overrule: unknown;
}
export const verdictWord = ({ headline, overrule }: Marked): VerdictWord =>
  overrule ? 'overruled' : headline;

/** By what a plant is found on a list of verdicts. */
export interface VerdictFaces extends Marked {
  name: string;
  taxon: string;
  common: string;
  groupLabel: string;
  spot: string;
}

/** What is asked for; what is absent or empty asks for nothing. */
export interface VerdictFilter {
  /** every one of them stands in what the plant, its kind, its group or its spot is called */
  words?: string | null | undefined;
  kind?: VerdictWord | null | undefined;
  spot?: string | null | undefined;
}

/** The same rule where a list is kept whole and where it is asked for page by page. */
export function matchesVerdict(faces: VerdictFaces, { words, kind, spot }: VerdictFilter): boolean {
  if (kind && verdictWord(faces) !== kind) return false;
  if (spot && faces.spot !== spot) return false;
  if (!words) return true;
  const { name, taxon, common, groupLabel } = faces;
  const text = `${name} ${taxon} ${common} ${faces.spot} ${groupLabel}`.toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
