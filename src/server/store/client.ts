import type { MessagePort } from "node:worker_threads";
import { type Answer, type Ask, errorSent, JSON_TYPES, type Rows } from "./wire";

type Options = {
  readonly rowMode?: "array" | "object";
  /** Drizzle leaves some types as text: only those are named, what reads them is not asked. */
  readonly parsers?: Readonly<Record<number, unknown>>;
};

/** What a query can be asked of: the database, or a transaction. */
export type Queried = {
  readonly query: (text: string, params?: readonly unknown[], options?: Options) => Promise<Rows>;
};

/** The database as Drizzle asks it. */
export type Client = Queried & {
  readonly transaction: <Value>(work: (tx: Queried) => Promise<Value>) => Promise<Value>;
  readonly close: () => Promise<void>;
};

type Question = Ask extends infer One ? (One extends Ask ? Omit<One, "id" | "tx"> : never) : never;
type Waiting = { readonly resolve: (rows: Rows | null) => void; readonly reject: (error: Error) => void };

const NO_ROWS: Rows = Object.freeze({ rows: [], fields: [] });

/**
 * Asks the database that lives in another thread. Whoever asks does not stand still while it works.
 * @param port the line to that thread; transactions that are open when it closes are rolled back
 */
export class StoreClient implements Client {
  private readonly waiting = new Map<number, Waiting>();
  private asked = 0;
  private begun = 0;
  private isClosed = false;

  private port!: MessagePort;

  constructor(
    port: MessagePort,
    private readonly onClose: () => Promise<void> = async () => {},
  ) {
    this.askOver(port);
  }

  /** Asks over another line from now on: the database is another one. What was still asked is refused. */
  askOver(port: MessagePort): void {
    this.end();
    this.isClosed = false;
    this.port = port;
    port.on("message", (answer: Answer) => this.take(answer));
    port.on("close", () => port === this.port && this.end());
  }

  query(text: string, params: readonly unknown[] = [], options: Options = {}): Promise<Rows> {
    return this.queryIn(null, text, params, options);
  }

  async transaction<Value>(work: (tx: Queried) => Promise<Value>): Promise<Value> {
    const tx = ++this.begun;
    await this.ask(tx, { act: "begin" });
    let value: Value;
    try {
      value = await work({
        query: (text, params = [], options = {}) => this.queryIn(tx, text, params, options),
      });
    } catch (error) {
      await this.ask(tx, { act: "rollback" }).catch(() => {});
      throw error;
    }
    await this.ask(tx, { act: "commit" });
    return value;
  }

  async close(): Promise<void> {
    await this.onClose();
    this.port.close();
    this.end();
  }

  private async queryIn(
    tx: number | null,
    text: string,
    params: readonly unknown[],
    { rowMode = "object", parsers = {} }: Options,
  ): Promise<Rows> {
    const asText = Object.keys(parsers).map(Number);
    const said = (await this.ask(tx, { act: "query", text, params, rowMode, asText })) ?? NO_ROWS;
    return { ...said, rows: withJson(said) };
  }

  private ask(tx: number | null, question: Question): Promise<Rows | null> {
    if (this.isClosed) return Promise.reject(closed());
    const id = ++this.asked;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject });
      this.port.postMessage({ ...question, id, tx });
    });
  }

  private take(answer: Answer): void {
    const waiting = this.waiting.get(answer.id);
    this.waiting.delete(answer.id);
    if (answer.ok) waiting?.resolve(answer.rows);
    else waiting?.reject(errorSent(answer.error));
  }

  private end(): void {
    this.isClosed = true;
    for (const { reject } of this.waiting.values()) reject(closed());
    this.waiting.clear();
  }
}

const closed = () => new Error("The database is closed. Start the program again.");

/** Rows with their JSON read: as text it crosses between threads fastest. */
function withJson({ rows, fields }: Rows): Rows["rows"] {
  const columns = fields.flatMap(({ name, dataTypeID }, at) =>
    JSON_TYPES.includes(dataTypeID) ? [{ name, at }] : [],
  );
  for (const row of columns.length === 0 ? [] : rows)
    for (const { name, at } of columns) {
      const cells = row as Record<string | number, unknown>;
      const place = Array.isArray(row) ? at : name;
      if (typeof cells[place] === "string") cells[place] = JSON.parse(cells[place]);
    }
  return rows;
}
