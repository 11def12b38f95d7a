/** The core names its parameters; keepers know them by these words. */
const WORDS: Record<string, string> = {
  stockPercent: 'The stock',
  targetPercent: 'The wanted strength',
  totalL: 'The finished volume',
  targetPpm: 'The wanted ppm',
  nutrientPercent: 'The share on the label',
  mlPerL: 'The rate',
  mostMlPerL: 'The label’s most',
  msPerCm: 'The conductivity',
  ppm: 'The salts',
  n: 'N',
  p2o5: 'P₂O₅',
  k2o: 'K₂O',
};

/** Texts of solutions: dilutions, feeds, pens, and what must never meet. */
export const solutions = {
  open: 'Fill in the figures.',
  fault: (message: string) =>
    message.replace(/^([\w.]+)(?: \+ p2o5 \+ k2o)? must/, (all, name: string) =>
      all.includes('+') ? 'All three together must' : `${WORDS[name] ?? name} must`,
    ),
  title: 'Solutions',
  bath: 'Dilute',
  which: 'For',
  stock: 'Stock',
  target: 'Wanted',
  total: 'Finished volume',
  diluted: (stock: string, water: string, ratio: string) =>
    `${stock} of stock in ${water} of water: 1 part in ${ratio}.`,
  contact: (minutes: number) =>
    minutes >= 120 ? `Leave it ${minutes / 60} hours.` : `Leave it ${minutes} min.`,
  bleachCaution:
    'Gloves, eye protection, open windows. Never bleach with acid, ammonia or peroxide. The label rules.',
  never: 'What must never meet',
  together: 'Would be mixed',
  refused: (why: string) => `Do not: ${why}.`,
  noPromise: 'Nothing is known here against it, which is no promise: read both labels.',
  feed: 'Feed by ppm',
  wanted: 'Wanted',
  share: 'Of it in the product',
  fed: (grams: string, perL: string) => `${grams} g in all, ${perL} g/L.`,
  liquid: 'Liquid feed by the label',
  rate: 'Wanted',
  labelMost: 'The label’s most',
  poured: (ml: string) => `${ml} mL in all.`,
  labelRules: 'Never above the label’s rate; weak and often is safer than strong.',
  label: 'What a label means',
  elements: (n: string, p: string, k: string) => `${n} % N, ${p} % P, ${k} % K as elements.`,
  pen: 'What a pen says',
  penScale: 'Scale of the pen',
  scale: (ppm: number) => `${ppm} ppm for 1 mS/cm`,
  conductivity: 'Conductivity',
  salts: 'Dissolved salts',
  ppm: (ppm: string) => `That conductivity is ${ppm} ppm on this scale.`,
  ec: (ec: string) => `Those salts are ${ec} mS/cm.`,
};
