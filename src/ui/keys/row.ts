export type KeyRow = {
  readonly place: string;
  readonly act: string;
  readonly keys: readonly string[];
  readonly shown?: string;
  readonly does: string;
};

/** What keys do in a place, of a table's rows. */
export type ActIn<Row extends KeyRow, Place extends Row["place"]> = Extract<
  Row,
  { readonly place: Place }
>["act"];
