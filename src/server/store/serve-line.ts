import type { MessagePort } from "node:worker_threads";
import type { PGlite, Transaction } from "@electric-sql/pglite";
import { type Answer, type Ask, JSON_TYPES, type Rows, sentError } from "./wire";

/** An open transaction, and how it ends; settled once it has. */
type Open = {
  readonly tx: Transaction;
  readonly end: (isKept: boolean) => void;
  readonly ended: Promise<unknown>;
};

/** Thrown inside a transaction that is to be rolled back. */
const TAKEN_BACK = Symbol("taken back");

const asItIs = (text: string): string => text;

/**
 * Answers what comes over a line from the database. When the line closes, as when the thread at its other end is ended,
 * what it had open is rolled back.
 */
export function serveLine(port: MessagePort, database: PGlite): void {
  const open = new Map<number, Open>();
  let isClosed = false;

  const begin = (id: number): Promise<null> =>
    new Promise((resolve, reject) => {
      const ended = database.transaction(
        (tx) =>
          new Promise<void>((keep, takeBack) => {
            if (isClosed) return takeBack(TAKEN_BACK);
            open.set(id, { tx, ended, end: (isKept) => (isKept ? keep() : takeBack(TAKEN_BACK)) });
            resolve(null);
          }),
      );
      ended.catch(reject);
    });

  const end = async (id: number, isKept: boolean): Promise<null> => {
    const own = found(id);
    open.delete(id);
    own.end(isKept);
    await own.ended.catch((error: unknown) => {
      if (error !== TAKEN_BACK) throw error;
    });
    return null;
  };

  const found = (id: number): Open => {
    const own = open.get(id);
    if (!own) throw new Error("Expected a transaction that is open.");
    return own;
  };

  const answer = async (ask: Ask): Promise<Rows | null> => {
    if (ask.act === "begin") return begin(ask.tx!);
    if (ask.act !== "query") return end(ask.tx!, ask.act === "commit");
    const parsers = Object.fromEntries([...JSON_TYPES, ...ask.asText].map((type) => [type, asItIs]));
    const asked = ask.tx === null ? database : found(ask.tx).tx;
    const { rows, fields, affectedRows } = await asked.query<Rows["rows"][number]>(
      ask.text,
      [...ask.params],
      {
        rowMode: ask.rowMode,
        parsers,
      },
    );
    return { rows, fields, affectedRows };
  };

  port.on("message", async (ask: Ask) => {
    const said = await answer(ask).then(
      (rows): Answer => ({ id: ask.id, ok: true, rows }),
      (error: unknown): Answer => ({ id: ask.id, ok: false, error: sentError(error) }),
    );
    if (!isClosed) port.postMessage(said);
  });
  port.on("close", () => {
    isClosed = true;
    for (const one of open.values()) {
      one.ended.catch(() => {});
      one.end(false);
    }
    open.clear();
  });
}
