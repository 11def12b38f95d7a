/** Why a plant is left out of a potting day, with all that its words depend on. */
export type LeftOutAbout =
  | {
      of:
        | 'leftOut'
        | 'noPot'
        | 'wordLeavesNone'
        | 'waitingCostsLess'
        | 'notWorthMoving'
        | 'potsTaken'
        | 'gainsLittle'
        | 'othersUse';
    }
  | { of: 'bagUnknown' | 'moneyShort'; component: string }
  /** minutes that it takes, and that are left */
  | { of: 'minutes'; asks: number; left: number }
  /** of a day that was laid out before its words were told apart */
  | { of: 'asWritten'; text: string };

/** The same in words. */
export function leftOutWords(about: LeftOutAbout): string {
  switch (about.of) {
    case 'leftOut':
      return 'you left it out';
    case 'noPot':
      return 'no pot of the shelf, of another plant or of the shops will do for it';
    case 'wordLeavesNone':
      return 'your word leaves it no pot that would do';
    case 'waitingCostsLess':
      return 'waiting for your next chance costs less';
    case 'notWorthMoving':
      return 'no pot that would do is worth the move';
    case 'potsTaken':
      return 'the pots that would do go to plants that need them more';
    case 'gainsLittle':
      return 'it gains hardly anything over the next chance';
    case 'othersUse':
      return 'what it would take, others use better';
    case 'bagUnknown':
      return `${about.component} does not suffice, and the size of its bag is not known`;
    case 'moneyShort':
      return `it takes another bag of ${about.component}, for which the money does not suffice`;
    case 'minutes':
      return (
        `it takes ${about.asks} minutes and ${leftOver(about.left)}, ` +
        'with its rests; those taken save more for each minute'
      );
    case 'asWritten':
      return about.text;
  }
}

function leftOver(minutes: number): string {
  if (minutes < 1) return 'the day is full';
  return minutes === 1 ? 'one minute is left' : `${minutes} minutes are left`;
}
