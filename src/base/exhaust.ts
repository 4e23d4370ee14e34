/** Closes a tagged union: a case that is not handled is a type error, and at run time an error that shows it. */
export function assertNever(value: never): never {
  throw new Error(`Expected no further case, got ${JSON.stringify(value)}.`);
}
