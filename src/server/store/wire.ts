/** What goes over a line between whoever asks the database and the thread it lives in. */

/** A question; those of one transaction carry its number. */
export type Ask = { readonly id: number; readonly tx: number | null } & (
  | {
      readonly act: "query";
      readonly text: string;
      readonly params: readonly unknown[];
      readonly rowMode: "array" | "object";
      /** Types whose values stay the text the database writes. */
      readonly asText: readonly number[];
    }
  | { readonly act: "begin" | "commit" | "rollback" }
);

/** Rows, and the types of their columns; JSON is the text the database writes. */
export type Rows = {
  readonly rows: readonly (Record<string, unknown> | unknown[])[];
  readonly fields: readonly { readonly name: string; readonly dataTypeID: number }[];
  readonly affectedRows?: number | undefined;
};

/** An error as it crosses: a copy of an `Error` would lose the database's own fields. */
export type SentError = { readonly message: string; readonly fields: Readonly<Record<string, unknown>> };

export type Answer =
  | { readonly id: number; readonly ok: true; readonly rows: Rows | null }
  | { readonly id: number; readonly ok: false; readonly error: SentError };

/** The types of `json` and `jsonb` (`pg_type` of PostgreSQL). */
export const JSON_TYPES: readonly number[] = [114, 3802];

/** What a database says of an error beside its message (PostgreSQL's manual, error and notice message fields). */
const TOLD = ["code", "severity", "detail", "hint", "schema", "table", "column", "constraint"] as const;

export function sentError(error: unknown): SentError {
  if (!(error instanceof Error)) return { message: String(error), fields: {} };
  const told = error as unknown as Record<string, unknown>;
  return {
    message: error.message,
    fields: Object.fromEntries(
      TOLD.flatMap((name) => (typeof told[name] === "string" ? [[name, told[name]]] : [])),
    ),
  };
}

export const errorSent = ({ message, fields }: SentError): Error => Object.assign(new Error(message), fields);
