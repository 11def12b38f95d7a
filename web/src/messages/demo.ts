/** Texts of the garden made up for trying. */
export const demo = {
  band: 'A garden made up for trying.',
  day: (day: string) => `Its day is ${day}.`,
  brief: (day: string) => `Made up for trying · ${day}`,
  goOn: 'Go on',
  on: {
    day: 'A day on',
    week: 'A week on',
    next: (day: string) => `On to ${day}`,
  },
  nextWhy: 'the next day on which something falls due',
  anew: 'Begin anew',
  anewTitle: 'Begin the garden anew?',
  anewWhy: (day: string) =>
    `It goes back to ${day}, and what you tried here goes with it. A copy of it is kept under Safe keeping.`,
  now: (day: string) => `It is ${day} now. The garden was watered meanwhile.`,
  look: 'Look for me',
  lookHint: 'This garden is made up: it can tell you what you would find.',
  looked: 'Filled in with what you would find today. Change what you like.',
} as const;
