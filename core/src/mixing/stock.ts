import { positive, within } from '../number/index.ts';

/** What there is of a component, loosened litres. */
export interface Stock {
  /** litres in a full bag; null: not known, or not sold in bags */
  bagL: number | null;
  /** unopened bags */
  bags: number;
  /** what is left in opened ones, L */
  openL: number;
  pricePerBag: number | null;
}

/** Where the litres of a job come from, and what is left. */
export interface Draw {
  neededL: number;
  fromOpenL: number;
  /** own bags that must be opened */
  opens: number;
  /** bags to be bought; null: its bag is not known */
  buys: number | null;
  /** litres that neither opened nor own bags hold */
  missingL: number;
  /** in opened bags afterwards, L */
  leftOpenL: number;
  /** unopened bags afterwards */
  leftBags: number;
  /** what the litres used are worth; null: no price known */
  worth: number | null;
  /** what must be paid for the bags to buy; null: no price or bag known */
  toPay: number | null;
}

/** Less than this is the dust at the bottom of a bag, L. */
const DUST_L = 1e-9;

/**
 * Draws litres from stock: part bags first, then own bags, then bags to buy.
 *
 * @param neededL  ≥ 0
 * @throws RangeError for a negative stock, or a bag of 0 L
 */
export function draw(neededL: number, stock: Stock): Draw {
  const { bagL, bags, openL, pricePerBag } = stock;
  within('neededL', neededL, 0, Number.MAX_VALUE);
  within('openL', openL, 0, Number.MAX_VALUE);
  within('bags', bags, 0, Number.MAX_SAFE_INTEGER);
  if (bagL !== null) positive('bagL', bagL);
  const fromOpenL = Math.min(neededL, openL);
  const beyond = neededL - fromOpenL;
  const bagsFor = (litres: number) =>
    litres <= DUST_L || bagL === null ? 0 : Math.ceil(litres / bagL - DUST_L);
  const opens = Math.min(bags, bagsFor(beyond));
  const missingL = Math.max(0, beyond - opens * (bagL ?? 0));
  const short = missingL > DUST_L;
  const buys = bagL === null && short ? null : bagsFor(missingL);
  const got = openL + (opens + (buys ?? 0)) * (bagL ?? 0);
  return {
    neededL,
    fromOpenL,
    opens,
    buys,
    missingL: short ? missingL : 0,
    leftOpenL: Math.max(0, got - neededL),
    leftBags: bags - opens,
    worth: pricePerBag === null || bagL === null ? null : (neededL / bagL) * pricePerBag,
    toPay: buys === null || (pricePerBag === null && buys > 0) ? null : buys * (pricePerBag ?? 0),
  };
}
