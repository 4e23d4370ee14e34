/** Fields that are there: none of them undefined. */
export type Defined<Fields> = { [Field in keyof Fields]: Exclude<Fields[Field], undefined> };

/**
 * Leaves out the fields that are undefined, so that what is not said does not hide what is beneath it.
 * @example defined({ capo: 2, level: undefined }) // => { capo: 2 }
 */
export const defined = <Fields extends object>(fields: Fields): Defined<Fields> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Defined<Fields>;
