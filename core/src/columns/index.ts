export { DATE_ORDERS, dateIn, guessDateOrder, type DateOrder } from './dates.ts';
export {
  COLLECTION_FIELDS,
  fieldsOf,
  LOG_FIELDS,
  type ColumnField,
  type ImportKind,
} from './fields.ts';
export { guessColumns, headingParts, type ColumnUse, type Guess } from './guess.ts';
export {
  amountIn,
  amountWithWords,
  guessDecimal,
  numberIn,
  unitNamed,
  type Decimal,
  type LengthUnit,
  type MassUnit,
} from './numbers.ts';
