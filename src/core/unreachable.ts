/**
 * The end of a switch over a union: a member without its case does not compile here.
 * @throws RangeError should one come in all the same
 */
export function unreachable(value: never): never {
  throw new RangeError(`Not expected here: ${JSON.stringify(value)}`);
}
