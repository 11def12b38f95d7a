import type { Signals } from '../decide/index.ts';

/** Why an old medium must not be used again, in words; empty: nothing seen against it. */
export function whyNotReuse(signals: Signals): string[] {
  const against: [boolean, string][] = [
    [signals.smell === 'sour', 'it smells sour: what made it sour is still in it'],
    [signals.rot === 'roots' || signals.rot === 'stem', 'roots have rotted in it'],
    [signals.infestedRoots === true, 'the roots are infested'],
    [
      signals.pests === 'gnats' || signals.pests === 'snails' || signals.pests === 'ants',
      'pests live in it',
    ],
    [signals.mould === 'through', 'mould has grown through it'],
    [signals.saltCrust === 'thick', 'salts have built up in it'],
  ];
  return against.filter(([seen]) => seen).map(([, why]) => why);
}
