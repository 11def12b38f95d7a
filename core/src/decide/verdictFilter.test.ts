import { describe, expect, it } from 'vitest';
import { matchesVerdict, verdictWord, type VerdictFaces } from './verdictFilter.ts';

const fern: VerdictFaces = {
  name: 'Gangway',
  taxon: 'Davallia fejeensis',
  common: 'hare’s-foot fern',
  groupLabel: 'ferns that walk and cling',
  spot: 'East glazing',
  headline: 'leave',
  overrule: null,
};
const overruled = { ...fern, overrule: { instead: 'repotNow' } };

describe('what is searched for among verdicts', () => {
  it('is found in every name a plant goes by, whatever the case and the order of words', () => {
    for (const words of ['gang', 'GLAZING davallia', 'hare’s-foot', 'cling  east', '', ' ']) {
      expect(matchesVerdict(fern, { words })).toBe(true);
    }
    for (const words of ['gang porch', 'orchid'])
      expect(matchesVerdict(fern, { words })).toBe(false);
  });

  it('asks for nothing where it is absent, and for each of what is there', () => {
    expect(matchesVerdict(fern, { kind: null, spot: null, words: null })).toBe(true);
    expect(matchesVerdict(fern, { spot: 'East' })).toBe(false);
    expect(matchesVerdict(fern, { kind: 'leave', spot: 'East glazing', words: 'fern' })).toBe(true);
  });

  it('goes by the keeper’s own word before the verdict', () => {
    expect(verdictWord(overruled)).toBe('overruled');
    expect(matchesVerdict(overruled, { kind: 'leave' })).toBe(false);
    expect(matchesVerdict(overruled, { kind: 'overruled' })).toBe(true);
  });
});
