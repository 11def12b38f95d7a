/** A value that a sum cannot take, said with its name first: the keeper's to put right, not a fault of the program. */
export class OutOfRange extends RangeError {
  override readonly name = 'OutOfRange';
}
